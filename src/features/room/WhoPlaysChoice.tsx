import { KIT_FAULT_NAMES, KIT_SIZES, type KitFault, type KitSize } from '@/core/take/kitFaults';
import { Choice } from './Choice';
import type { RoomSettings, WhoPlays } from './settings';

interface WhoPlaysChoiceProps {
  settings: Pick<RoomSettings, 'who' | 'kit'>;
  disabled: boolean;
  onChange: (change: Partial<RoomSettings>) => void;
}

/** The person, or the simulated kit with a fault or two: so a fault can be shown, seen and heard. */
export function WhoPlaysChoice({ settings: { who, kit }, disabled, onChange }: WhoPlaysChoiceProps) {
  const others = KIT_FAULT_NAMES.filter((fault) => fault !== 'steady' && fault !== who);
  return (
    <>
      <Choice
        label="Who plays"
        value={who}
        disabled={disabled}
        onChange={(chosen) => onChange({ who: chosen as WhoPlays, kit: { size: kit.size } })}
        options={[['me', 'you'], ...KIT_FAULT_NAMES.map((fault): [string, string] => [fault, `kit, ${fault}`])]}
      />
      {who !== 'me' && who !== 'steady' && (
        <>
          <Choice
            label="How much"
            value={kit.size}
            disabled={disabled}
            onChange={(size) => onChange({ kit: { ...kit, size: size as KitSize } })}
            options={Object.keys(KIT_SIZES).map((size) => [size, size])}
          />
          <Choice
            label="And also"
            value={kit.also ?? ''}
            disabled={disabled}
            onChange={(also) => onChange({ kit: { size: kit.size, ...(also && { also: also as KitFault }) } })}
            options={[['', 'nothing'], ...others.map((fault): [string, string] => [fault, fault])]}
          />
        </>
      )}
    </>
  );
}
