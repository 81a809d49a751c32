'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Divider from '@mui/material/Divider';
import IconButton from '@mui/material/IconButton';
import { memo, type ReactNode } from 'react';
import {
  ContentCopyOutlined,
  ContentCutOutlined,
  ContentPasteOutlined,
  DeleteOutlined,
  HighlightAltOutlined,
  RedoOutlined,
  UndoOutlined,
  VerticalAlignBottomOutlined,
  VerticalAlignTopOutlined,
} from '@/ui/icons';
import type { Command } from './keys';

interface EditBarProps {
  canUndo: boolean;
  canRedo: boolean;
  /** Touches select instead of placing. */
  selecting: boolean;
  selected?: string;
  onSelecting: (on: boolean) => void;
  onCommand: (command: Command) => void;
  onlyBar: boolean;
  onBar: { insertBar: () => void; copyBar: () => void; deleteBar: () => void };
}

/** What the keys do, for fingers: undo, selection, clipboard, height. */
export const EditBar = memo(function EditBar({
  canUndo,
  canRedo,
  selecting,
  selected,
  onSelecting,
  onCommand,
  onlyBar,
  onBar,
}: EditBarProps) {
  const tool = (words: string, keys: string, icon: ReactNode, command: Command, disabled = false) => (
    <IconButton
      title={`${words} (${keys})`}
      aria-label={words}
      onClick={() => onCommand(command)}
      disabled={disabled}
      sx={{ width: 44, height: 44 }}
    >
      {icon}
    </IconButton>
  );
  return (
    <Box role="toolbar" aria-label="Edit" sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', rowGap: 0.5 }}>
      {tool('Undo', 'Ctrl Z', <UndoOutlined />, { do: 'undo' }, !canUndo)}
      {tool('Redo', 'Ctrl Y', <RedoOutlined />, { do: 'redo' }, !canRedo)}
      <Divider orientation="vertical" flexItem sx={{ mx: 1, my: 1 }} />
      <Button
        title="Touch or click two slots to select what lies between (Shift with the arrows, or Shift click)"
        startIcon={<HighlightAltOutlined />}
        variant={selecting ? 'contained' : 'text'}
        aria-pressed={selecting}
        onClick={() => onSelecting(!selecting)}
        sx={{ height: 44 }}
      >
        Select
      </Button>
      {tool('Cut', 'Ctrl X', <ContentCutOutlined />, { do: 'cut' })}
      {tool('Copy', 'Ctrl C', <ContentCopyOutlined />, { do: 'copy' })}
      {tool('Paste', 'Ctrl V', <ContentPasteOutlined />, { do: 'paste' })}
      {tool('Take out', 'Delete', <DeleteOutlined />, { do: 'remove' })}
      {tool('Raise', '+', <VerticalAlignTopOutlined />, { do: 'raise', by: 1 })}
      {tool('Lower', '−', <VerticalAlignBottomOutlined />, { do: 'raise', by: -1 })}
      <Divider orientation="vertical" flexItem sx={{ mx: 1, my: 1 }} />
      <Button sx={{ height: 44 }} onClick={onBar.insertBar}>
        Add a bar
      </Button>
      <Button sx={{ height: 44 }} onClick={onBar.copyBar}>
        Copy this bar
      </Button>
      <Button sx={{ height: 44 }} disabled={onlyBar} onClick={onBar.deleteBar}>
        Delete it
      </Button>
      <Box role="status" sx={{ ml: 'auto', fontSize: 14, color: 'text.secondary' }}>
        {selected}
      </Box>
    </Box>
  );
});
