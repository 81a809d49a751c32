import { useMemo } from 'react';
import { LIMBS } from '@/core/groove/limbs';
import { useInputs } from '@/sound/inputs/useInputs';
import { useKeys } from '@/ui/pads/keys';
import { PlayAlong } from './PlayAlong';
import { Step } from './Step';
import { useMeasured } from './useMeasured';
import { usePlayAlong } from './usePlayAlong';

const KEYS = ['keys' as const];
const nobody = () => undefined;

/** The keys of the computer: only what they add is to be measured. */
export function HearKeys() {
  const { ears, delay, measured } = useMeasured('keys');
  const along = usePlayAlong(measured);
  const [keys] = useKeys();
  const here = useMemo(() => ({ ...ears, listens: KEYS }), [ears]);
  useInputs({
    keys,
    limbs: LIMBS,
    ears: here,
    isOn: along.playing !== undefined,
    who: nobody,
    onStrike: along.strike,
    onSay: nobody,
  });
  return (
    <Step title="How late keys are">
      <PlayAlong along={along} what={`${keys['right hand'].label} or ${keys['left hand'].label}`} delay={delay} />
    </Step>
  );
}
