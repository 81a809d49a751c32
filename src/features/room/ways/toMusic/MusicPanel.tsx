'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState } from 'react';
import { NUDGE_MS, SPEEDS, type MusicSettings } from '@/core/practice/music';
import { tempoShape } from '@/core/documents/shapes';
import { tappedTempo, withTap } from '@/core/time/tempoWords';
import type { Ms } from '@/core/time/units';
import { wrongWith } from '@/core/result';
import type { Music } from '@/sound/music';
import { lengthInWords, tempoInWords } from '@/ui/words/figures';
import { NumberField, numberTyped } from '../../NumberField';
import type { SectionMs } from '../../piece';
import { MusicPicture } from './MusicPicture';
import { SectionsLine } from './SectionsLine';
import type { Playalong } from './useMusic';

interface MusicPanelProps {
  playalong: Playalong;
  /** Of a chart, when each of its sections begins. */
  sections: readonly SectionMs[];
  playing: boolean;
}

/** Music of the player's own under the groove: its tempo, its first beat, its speed. */
export function MusicPanel({ playalong, sections, playing }: MusicPanelProps) {
  const { music, settings, say, busy, open } = playalong;
  const input = useRef<HTMLInputElement>(null);
  return (
    <Box role="group" aria-label="Music" sx={{ display: 'grid', gap: 1.5, maxWidth: 1180 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1.5 }}>
        <Button variant="outlined" sx={{ minHeight: 44 }} disabled={playing} onClick={() => input.current?.click()}>
          {music ? 'Another file' : 'Choose a sound file'}
        </Button>
        <input
          ref={input}
          type="file"
          hidden
          aria-label="Sound file"
          accept="audio/*,.wav,.mp3,.ogg,.flac"
          onChange={({ target }) => {
            const file = target.files?.[0];
            if (file) open(file);
            target.value = '';
          }}
        />
        <Typography
          sx={{ overflowWrap: 'anywhere', flex: '1 1 240px' }}
          color={music ? 'textPrimary' : 'textSecondary'}
        >
          {music
            ? `${music.name}, ${lengthInWords(music.buffer.duration * 1000)}`
            : 'It is decoded in this browser and never leaves it. WAV, MP3, OGG and FLAC.'}
        </Typography>
      </Box>
      {busy && (
        <Box>
          <Typography variant="body2" role="status">
            {busy.what === 'reading' ? 'The file is being read …' : 'The music is being slowed down, its pitch kept …'}
          </Typography>
          <LinearProgress
            variant={busy.share === undefined ? 'indeterminate' : 'determinate'}
            value={100 * (busy.share ?? 0)}
            aria-label={busy.what === 'reading' ? 'Reading' : 'Slowing down'}
          />
        </Box>
      )}
      {say && <Alert severity="error">{say}</Alert>}
      {music && settings && !playing && (
        <Setting key={music.hash} music={music} settings={settings} sections={sections} change={playalong.change} />
      )}
    </Box>
  );
}

interface SettingProps {
  music: Music;
  settings: MusicSettings;
  sections: readonly SectionMs[];
  change: (change: Partial<MusicSettings>) => void;
}

function Setting({ music, settings, sections, change }: SettingProps) {
  const [typed, setTyped] = useState<string>();
  const [taps, setTaps] = useState<number[]>([]);
  const listening = useListening(music);
  const problem = typed === undefined ? undefined : wrongWith(tempoShape, numberTyped(typed));
  const tap = (at: number) => {
    const next = withTap(taps, at);
    setTaps(next);
    const bpm = tappedTempo(next);
    if (bpm !== undefined && tempoShape.safeParse(bpm).success) {
      setTyped(undefined);
      change({ bpm });
    }
  };
  const lengthMs = music.buffer.duration * 1000;
  const moveTo = (ms: Ms) => change({ firstBeatMs: Math.round(Math.max(0, Math.min(lengthMs, ms))) });
  return (
    <>
      <Box>
        <MusicPicture
          music={music}
          settings={settings}
          fromMs={0}
          toMs={lengthMs}
          sections={sections}
          label="The whole file"
          onPick={moveTo}
        />
        {sections.length > 0 && (
          <SectionsLine sections={sections} firstBeatMs={settings.firstBeatMs} lengthMs={lengthMs} />
        )}
      </Box>
      <MusicPicture
        music={music}
        settings={settings}
        fromMs={Math.max(0, settings.firstBeatMs - 500)}
        toMs={Math.min(lengthMs, Math.max(0, settings.firstBeatMs - 500) + 5000)}
        label="Five seconds round the first beat, with the beats"
        onPick={moveTo}
      />
      <Box
        sx={{
          display: 'flex',
          flexWrap: 'wrap',
          gap: 1.25,
          alignItems: 'flex-start',
          '& .MuiButton-root': { minHeight: 44 },
        }}
      >
        <Button variant={listening.on ? 'contained' : 'outlined'} onClick={listening.toggle}>
          {listening.on ? 'Stop listening' : 'Listen'}
        </Button>
        <Button variant="outlined" disabled={!listening.on} onClick={() => moveTo(listening.heardMs())}>
          First beat is now
        </Button>
        <Button
          variant="outlined"
          aria-label={`First beat ${NUDGE_MS} ms earlier`}
          onClick={() => moveTo(settings.firstBeatMs - NUDGE_MS)}
        >
          −{NUDGE_MS} ms
        </Button>
        <Typography sx={{ alignSelf: 'center', minWidth: 150, textAlign: 'center' }} role="status">
          First beat at {(settings.firstBeatMs / 1000).toFixed(3)} s
        </Typography>
        <Button
          variant="outlined"
          aria-label={`First beat ${NUDGE_MS} ms later`}
          onClick={() => moveTo(settings.firstBeatMs + NUDGE_MS)}
        >
          +{NUDGE_MS} ms
        </Button>
        <Box sx={{ width: 150 }}>
          <NumberField
            label="Tempo of the music"
            text={typed ?? tempoInWords(settings.bpm)}
            onText={(text) => {
              setTyped(text);
              const bpm = tempoShape.safeParse(numberTyped(text)).data;
              if (bpm !== undefined) change({ bpm });
            }}
            problem={problem}
          />
        </Box>
        <Button
          variant="outlined"
          aria-label="Tap the tempo of the music"
          onPointerDown={(event) => tap(event.timeStamp)}
          onKeyDown={(event) => event.key === 'Enter' && !event.repeat && tap(event.timeStamp)}
        >
          {taps.length > 1 ? `Tap (${taps.length})` : 'Tap along'}
        </Button>
        <TextField
          select
          label="Speed"
          value={String(settings.speed)}
          onChange={({ target }) => change({ speed: Number(target.value) })}
          sx={{ width: 110 }}
        >
          {SPEEDS.map((speed) => (
            <MenuItem key={speed} value={String(speed)}>
              {speed} %
            </MenuItem>
          ))}
        </TextField>
      </Box>
    </>
  );
}

/** The music alone, to find its first beat and tap its tempo. */
function useListening({ buffer }: Music) {
  const [on, setOn] = useState(false);
  const running = useRef<{ context: AudioContext; began: number }>(undefined);
  const stop = () => {
    void running.current?.context.close();
    running.current = undefined;
    setOn(false);
  };
  const toggle = () => {
    if (running.current) return stop();
    const context = new AudioContext();
    const source = new AudioBufferSourceNode(context, { buffer });
    const level = new GainNode(context, { gain: 0.6 });
    source.connect(level).connect(context.destination);
    const began = context.currentTime + 0.05;
    source.start(began);
    source.onended = stop;
    running.current = { context, began };
    setOn(true);
  };
  /** The moment of the file that is being heard. */
  const heardMs = (): Ms => {
    const { context, began } = running.current!;
    return 1000 * Math.max(0, context.currentTime - (context.outputLatency || 0) - began);
  };
  useEffect(() => () => void running.current?.context.close(), []);
  return { on, toggle, heardMs };
}
