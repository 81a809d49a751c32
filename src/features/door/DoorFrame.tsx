import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { FIGURE_FONT } from '@/ui/theme';

/** The page before one is inside: what this is, and the way in. */
export function DoorFrame({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box component="main" sx={{ minHeight: '100dvh', display: 'grid', gridTemplateColumns: { md: '5fr 6fr' } }}>
      <Box
        sx={{
          bgcolor: '#22263a',
          color: '#fbf8f1',
          p: { xs: 3, md: 6 },
          display: 'flex',
          flexDirection: 'column',
          justifyContent: 'center',
          gap: 2,
        }}
      >
        <Typography
          component="p"
          sx={{ fontFamily: FIGURE_FONT, fontWeight: 800, fontSize: { xs: 34, md: 52 }, lineHeight: 1 }}
        >
          Mochila
        </Typography>
        <Typography sx={{ fontSize: { xs: 16, md: 19 }, maxWidth: 400 }}>
          Say where the stroke goes. Play it to the click. See where it fell.
        </Typography>
        <CountLine />
      </Box>
      <Box sx={{ p: { xs: 3, md: 6 }, display: 'flex', flexDirection: 'column', justifyContent: 'center' }}>
        <Box sx={{ width: 1, maxWidth: 560 }}>
          <Typography variant="h1" sx={{ mb: 2.5 }}>
            {title}
          </Typography>
          {children}
        </Box>
      </Box>
    </Box>
  );
}

/** One count of 16ths and one of triplets on the same line: the e is not where the trip is. */
function CountLine() {
  const marks = [
    ['1', 0],
    ['e', 12.5],
    ['&', 25],
    ['a', 37.5],
    ['2', 50],
    ['trip', 66.67],
    ['let', 83.33],
  ] as const;
  return (
    <Box
      aria-hidden
      sx={{ position: 'relative', height: 76, mt: 2, maxWidth: 420, display: { xs: 'none', md: 'block' } }}
    >
      <Box sx={{ position: 'absolute', left: 0, right: 0, bottom: 0, height: 2, bgcolor: '#e2ad5c' }} />
      {marks.map(([say, left], index) => (
        <Box
          key={index}
          sx={{
            position: 'absolute',
            left: `${left}%`,
            bottom: 0,
            display: 'flex',
            flexDirection: 'column',
            alignItems: 'center',
            transform: 'translateX(-50%)',
            ml: 1,
          }}
        >
          <Box
            sx={{
              fontFamily: /\d/.test(say) ? FIGURE_FONT : undefined,
              fontWeight: /\d/.test(say) ? 800 : 450,
              fontSize: /\d/.test(say) ? 24 : 15,
              opacity: /\d/.test(say) ? 1 : 0.75,
            }}
          >
            {say}
          </Box>
          <Box
            sx={{
              width: /\d/.test(say) ? 7 : 5,
              height: /\d/.test(say) ? 34 : 18,
              borderRadius: 4,
              bgcolor: /\d/.test(say) ? '#f0869a' : '#86b6ea',
            }}
          />
        </Box>
      ))}
    </Box>
  );
}
