import { useRoom } from '../RoomContext';
import { LimbSwitches } from '../LimbSwitches';
import { LimbPads } from '@/ui/pads/LimbPads';
import type { Frame } from './useFrame';

interface PadsProps {
  frame: Frame;
  /** As large as there is place, for two thumbs, with nothing to be switched on them. */
  isLarge?: boolean;
}

/** The pads of the room's limbs, with what can be switched of each. */
export function Pads({ frame, isLarge = false }: PadsProps) {
  const { limbs } = useRoom();
  const { settings, keys, changeKey, attempt, playing, waitsAt, pads } = frame;
  return (
    <LimbPads
      limbs={limbs}
      task={settings.task}
      keys={keys}
      struck={attempt.struck}
      playing={playing}
      isLarge={isLarge}
      awaited={waitsAt && limbs.filter((limb) => waitsAt.left[limb])}
      wrong={waitsAt?.wrong}
      onStrike={(limb, pageMs) => pads.touch(limb, pageMs)}
      onChangeKey={changeKey}
      switches={isLarge ? undefined : (limb) => <Switches frame={frame} limb={limb} />}
    />
  );
}

/** Whether a limb is in the task, and whether it is heard. */
export function Switches({ frame, limb }: { frame: Frame; limb: Parameters<Frame['switchLimb']>[1] }) {
  const { settings, waitsAt, switchLimb } = frame;
  return (
    <LimbSwitches
      limb={limb}
      inTask={settings.task.includes(limb)}
      isHeard={settings.heard.includes(limb)}
      last={settings.task.length === 1}
      fixed={waitsAt !== undefined}
      onTask={(on) => switchLimb('task', limb, on)}
      onHeard={(on) => switchLimb('heard', limb, on)}
    />
  );
}
