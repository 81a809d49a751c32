import Box from '@mui/material/Box';
import WorkshopNotFound from './(workshop)/not-found';

export default function NotFound() {
  return (
    <Box component="main">
      <WorkshopNotFound />
    </Box>
  );
}
