import { KIT_FAULT_NAMES, KIT_SIZES, type KitFault, type KitSize } from '@/core/simulate/kitFaults';
import { Pick } from '@/ui/Pick';
import { Choice } from './Choice';
import type { RoomSettings, WhoPlays } from './settings';

interface WhoPlaysProps {
  settings: { who: WhoPlays; kit: RoomSettings['kit'] };
  disabled: boolean;
  onChange: (change: Partial<RoomSettings>) => void;
}

/** The person, or the simulated kit with a fault: so a fault can be shown, seen and heard. */
export function WhoPlaysChoice({ settings: { who, kit }, disabled, onChange }: WhoPlaysProps) {
  return (
    <Choice
      label="Who plays"
      value={who}
      disabled={disabled}
      onChange={(chosen) => onChange({ who: chosen as WhoPlays, kit: { size: kit.size, heard: kit.heard } })}
      options={[['me', 'you'], ...KIT_FAULT_NAMES.map((fault): [string, string] => [fault, `kit, ${fault}`])]}
    />
  );
}

/** How large the kit's fault is, which other it has at once, and how it is heard. */
export function KitChoice({ settings: { who, kit }, disabled, onChange }: WhoPlaysProps) {
  const others = KIT_FAULT_NAMES.filter((fault) => fault !== 'steady' && fault !== who);
  return (
    <>
      <Pick
        label={`How large “${who}” is`}
        value={kit.size}
        disabled={disabled}
        options={Object.keys(KIT_SIZES)}
        onPick={(size) => onChange({ kit: { ...kit, size: size as KitSize } })}
      />
      <Pick
        label="And at once"
        value={kit.also ?? 'none'}
        disabled={disabled}
        options={[['none', 'nothing else'], ...others.map((fault): [string, string] => [fault, fault])]}
        onPick={(also) => onChange({ kit: { ...kit, also: also === 'none' ? undefined : (also as KitFault) } })}
      />
      <Pick
        label="How it is heard"
        value={kit.heard ?? 'told'}
        disabled={disabled}
        options={[
          ['told', 'as it strikes'],
          ['by MIDI', 'by MIDI'],
          ['as sound', 'as sound, in a room'],
        ]}
        onPick={(heard) => onChange({ kit: { ...kit, heard: heard === 'told' ? undefined : heard } })}
      />
    </>
  );
}
