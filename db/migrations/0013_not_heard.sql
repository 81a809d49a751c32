-- What was played while nothing listened is kept too: when, how fast and for how long, with no figure of it.
alter table take drop constraint take_input_check;
alter table take add constraint take_input_check
  check (input in ('keys', 'pads', 'MIDI', 'microphone', 'file', 'simulated kit', 'nothing'));
