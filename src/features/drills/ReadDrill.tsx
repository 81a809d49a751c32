import { readDrillFile, type NamedDrill } from '@/core/format/drillFile';
import { ReadFile } from '@/ui/ReadFile';

/** A drill from a file; the largest has a groove of many bars under it. */
export const ReadDrill = ({ onRead }: { onRead: (drill: NamedDrill) => void }) => (
  <ReadFile
    label="File with a drill"
    accept=".json"
    mostBytes={1_000_000}
    tooLarge="This file is larger than any drill."
    read={readDrillFile}
    onRead={onRead}
  />
);
