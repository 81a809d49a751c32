import { GROOVE_FILE_NAMES, GROOVE_FILES } from '@/core/format/grooveFileKinds';
import { MOST_ZIPPED } from '@/core/limits';
import { DownloadMenu } from '@/ui/DownloadMenu';
import { plural } from '@/ui/words/text';

/** The grooves that are shown as files, all in one zip. */
export function FilesMenu({ ids }: { ids: readonly string[] }) {
  const taken = ids.slice(0, MOST_ZIPPED);
  const asked = new URLSearchParams(taken.map((id) => ['id', id]));
  return (
    <DownloadMenu
      label="As files"
      files={GROOVE_FILE_NAMES.map((file) => ({
        words: `${plural(taken.length, 'groove')}: ${GROOVE_FILES[file].words}, in a zip`,
        href: `/files/grooves?format=${file}&${asked}`,
      }))}
    />
  );
}
