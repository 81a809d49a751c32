import dynamic from 'next/dynamic';
import { useRoom } from '../../RoomContext';
import { RoomFrame } from '../../frame/RoomFrame';
import { usePiece } from '../../usePiece';
import type { RoomSettings } from '../../settings';
import type { Way } from '../way';
import { useBuildUp } from './useBuildUp';

const buildUpPanel = () => import('./BuildUpPanel').then((module) => module.BuildUpPanel);
const BuildUpPanel = dynamic(buildUpPanel, { loading: () => null });

function BuildUp() {
  const { state, limbs, dispatch } = useRoom();
  const { settings } = state;
  const piece = usePiece();
  const { begin, bringIn, onRound } = useBuildUp(limbs, settings, (change) => dispatch({ type: 'set', change }));
  return (
    <RoomFrame
      piece={piece}
      settings={settings}
      begin={() => {
        begin();
        // From its first limb again.
        const first = { ...settings, ...fromFirstLimb(settings) };
        dispatch({ type: 'set', change: first });
        return { settings: first };
      }}
      onRound={onRound}
      panel={(playing, follow) => (
        <BuildUpPanel
          buildUp={settings.buildUp}
          task={settings.task}
          playing={playing}
          onChange={(wanted) =>
            dispatch({
              type: 'set',
              change: {
                buildUp: wanted,
                ...(!playing && fromFirstLimb({ ...settings, buildUp: wanted })),
              },
            })
          }
          onNext={() => bringIn(follow)}
        />
      )}
    />
  );
}

/** Only the first limb of the order is in the task, and heard when anything is. */
function fromFirstLimb({ buildUp: { order }, heard }: RoomSettings): Pick<RoomSettings, 'task' | 'heard'> {
  const task = order.slice(0, 1);
  return { task, heard: heard.length ? task : [] };
}

/** Limbs come in one after another; all are back when it is left. */
export const buildUp: Way = {
  name: 'build-up',
  isFor: ({ chart, sight }) => !chart && !sight,
  entered: fromFirstLimb,
  left: ({ heard }, limbs) => ({ task: [...limbs], heard: heard.length ? [...limbs] : [] }),
  Room: BuildUp,
  bring: buildUpPanel,
};
