'use client';

import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import NextLink from 'next/link';
import { usePathname } from 'next/navigation';
import type { ReactNode } from 'react';
import { LogoutOutlined, PersonOutlined } from '@/ui/icons';
import { SchemeButton } from './SchemeButton';
import { FIGURE_FONT } from './theme';

// Zod would first try whether it may compile code, which the content security policy forbids and reports. It is told
// where it looks, without being loaded: most pages need none of it.
const page = globalThis as { __zod_globalConfig?: { jitless?: boolean } };
Object.assign((page.__zod_globalConfig ??= {}), { jitless: true });

const TEACHER = [
  ['Today', '/today'],
  ['Lessons', '/lessons'],
  ['Grooves', '/grooves'],
  ['Drills', '/drills'],
  ['People', '/people'],
  ['Log', '/takes'],
  ['Workshop', '/workshop'],
] as const;
const STUDENT = [
  ['Today', '/today'],
  ['Grooves', '/grooves'],
  ['By ear', '/listening'],
  ['Log', '/takes'],
] as const;

interface ShellProps {
  role: 'teacher' | 'student';
  name: string;
  workshop: string;
  signOut: () => Promise<void>;
  children: ReactNode;
}

/**
 * The rail at the side and the page beside it. On a phone it lies along the foot and has room for no more than pages:
 * the rest is on You.
 */
export function Shell({ role, name, workshop, signOut, children }: ShellProps) {
  const path = usePathname();
  return (
    <Box sx={{ minHeight: '100dvh', display: 'flex', flexDirection: { xs: 'column-reverse', sm: 'row' } }}>
      <Box
        component="nav"
        className="no-print"
        aria-label="Main"
        sx={{
          flex: 'none',
          width: { sm: 76 },
          bgcolor: '#22263a',
          color: '#fbf8f1',
          display: 'flex',
          flexDirection: { xs: 'row', sm: 'column' },
          alignItems: 'center',
          position: 'sticky',
          top: { sm: 0 },
          bottom: { xs: 0, sm: 'auto' },
          height: { sm: '100dvh' },
          zIndex: 10,
          px: { xs: 0.5, sm: 0 },
        }}
      >
        <Box
          aria-hidden
          sx={{
            display: { xs: 'none', sm: 'block' },
            fontFamily: FIGURE_FONT,
            fontWeight: 800,
            fontSize: 26,
            lineHeight: 1,
            pt: 1.5,
            pb: 2,
          }}
        >
          m
        </Box>
        {(role === 'teacher' ? TEACHER : STUDENT).map(([word, href]) => {
          const here = path.startsWith(href);
          return (
            <Box
              key={href}
              component={NextLink}
              href={href}
              aria-current={here ? 'page' : undefined}
              sx={{
                width: { sm: 1 },
                // A teacher's eight words stand side by side on the narrowest phone.
                px: { xs: role === 'teacher' ? 'clamp(2px, 1vw, 5px)' : 1, sm: 0 },
                minHeight: 44,
                display: 'grid',
                placeItems: 'center',
                fontSize: { xs: 'clamp(10.5px, 3.35vw, 13px)', sm: 13 },
                color: 'inherit',
                textDecoration: 'none',
                opacity: here ? 1 : 0.8,
                fontWeight: here ? 700 : 450,
                boxShadow: here ? { xs: 'inset 0 3px #e2ad5c', sm: 'inset 3px 0 #e2ad5c' } : 'none',
                '&:hover': { opacity: 1 },
                '&:focus-visible': { outline: '2px solid #e2ad5c', outlineOffset: -2 },
              }}
            >
              {word}
            </Box>
          );
        })}
        <Box
          sx={{
            mt: { sm: 'auto' },
            ml: { xs: 'auto', sm: 0 },
            pb: { sm: 1.5 },
            display: 'flex',
            flexDirection: { xs: 'row', sm: 'column' },
            alignItems: 'center',
          }}
        >
          <IconButton
            component={NextLink}
            href="/you"
            title={`${name}, ${workshop}`}
            aria-label={`You, ${name}`}
            aria-current={path === '/you' ? 'page' : undefined}
            sx={{ color: 'inherit', width: { xs: 36, sm: 44 }, height: 44 }}
          >
            <PersonOutlined fontSize="small" />
          </IconButton>
          <Box sx={{ display: { xs: 'none', sm: 'block' } }}>
            <SchemeButton />
          </Box>
          <Box component="form" action={signOut} sx={{ display: { xs: 'none', sm: 'block' } }}>
            <IconButton
              type="submit"
              title={`${name}, ${workshop}: sign out`}
              aria-label={`Sign out ${name}`}
              sx={{ color: 'inherit', width: { xs: 36, sm: 44 }, height: 44 }}
            >
              <LogoutOutlined fontSize="small" />
            </IconButton>
          </Box>
        </Box>
      </Box>
      <Box component="main" sx={{ flex: 1, minWidth: 0 }}>
        {children}
      </Box>
    </Box>
  );
}
