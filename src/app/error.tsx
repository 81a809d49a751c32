'use client';

import Box from '@mui/material/Box';
import WorkshopError from './(workshop)/error';

/** For what goes wrong above the pages' own frame: nobody's name could be asked for. */
export default function AppError(props: { reset: () => void }) {
  return (
    <Box component="main">
      <WorkshopError {...props} />
    </Box>
  );
}
