import { readChartFile } from '@/core/format/chartFile';
import { ReadFile } from '@/ui/ReadFile';

/** A chart from a file, as it would be typed; four times as much is read as can be typed. */
export const ReadChart = ({ onRead }: { onRead: (typed: string) => void }) => (
  <ReadFile
    label="File with a chart"
    accept=".txt,.json"
    mostBytes={400_000}
    tooLarge="This file is larger than any chart."
    read={readChartFile}
    onRead={onRead}
  />
);
