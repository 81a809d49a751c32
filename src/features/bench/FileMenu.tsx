'use client';

import { memo } from 'react';
import { GROOVE_FILE_NAMES, GROOVE_FILES } from '@/core/format/grooveFileKinds';
import { DownloadMenu } from '@/ui/DownloadMenu';

/** The groove as it is saved, on paper, or as a file for another program or for another Mochila. */
export const FileMenu = memo(function FileMenu({ id }: { id: string }) {
  return (
    <DownloadMenu
      label="As a file"
      files={[
        { words: 'Handout, on paper or as PDF', href: `/handout/${id}`, isPage: true },
        ...GROOVE_FILE_NAMES.map((file) => ({ words: GROOVE_FILES[file].words, href: `/files/grooves/${id}/${file}` })),
        { words: 'MIDI file with a click, a bar counted in', href: `/files/grooves/${id}/midi?click=counts&countIn=1` },
        { words: 'MIDI file as written, not swung', href: `/files/grooves/${id}/midi?swing=written` },
      ]}
    />
  );
});
