import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import OutlinedInput from '@mui/material/OutlinedInput';
import { searchedIn } from '@/core/documents/shapes';
import { MOST_NAME } from '@/core/limits';

interface FindByNameProps {
  /** The page that shows what is found. */
  action: string;
  label: string;
  words: string;
}

/** A line that looks for names on the server: a page of many people sends only those that are asked for. */
export function FindByName({ action, label, words }: FindByNameProps) {
  return (
    <Box
      component="form"
      role="search"
      action={action}
      sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center', mb: 2.5 }}
    >
      <OutlinedInput
        name="name"
        placeholder={label}
        defaultValue={words}
        key={words}
        size="small"
        inputProps={{ maxLength: 120, 'aria-label': label }}
        sx={{ width: { xs: 1, sm: 262 } }}
      />
      <Button type="submit" variant="outlined" sx={{ minHeight: 40 }}>
        Find
      </Button>
      {words && (
        <Button href={action} sx={{ minHeight: 40 }}>
          Show all
        </Button>
      )}
    </Box>
  );
}

interface PagesProps {
  total: number;
  from: number;
  most: number;
  /** The address of the page that begins with the so-and-so-many-th. */
  hrefFrom: (from: number) => string;
}

/** "51–100 of 240", and the way to the pages before and after; nothing where all is on one page. */
export function Pages({ total, from, most, hrefFrom }: PagesProps) {
  if (total <= most) return null;
  return (
    <Box component="nav" aria-label="Pages" sx={{ display: 'flex', gap: 1.5, alignItems: 'center', mt: 2.5 }}>
      <Button href={hrefFrom(Math.max(0, from - most))} variant="outlined" disabled={from === 0}>
        Before
      </Button>
      <span>
        {from + 1}–{Math.min(total, from + most)} of {total}
      </span>
      <Button href={hrefFrom(from + most)} variant="outlined" disabled={from + most >= total}>
        After
      </Button>
    </Box>
  );
}

/** What an address asks of such a page: the words, and from which on. */
export function askedOf(asked: { name?: string; from?: string }): { words: string; from: number } {
  const from = Number(asked.from);
  return {
    words: searchedIn(asked.name, MOST_NAME),
    from: Number.isInteger(from) && from > 0 && from < 1e6 ? from : 0,
  };
}

/** The address of such a page. */
export const hrefOf = (
  page: string,
  { words, from, archived = false }: { words: string; from: number; archived?: boolean },
): string => {
  const asked = new URLSearchParams({
    ...(words && { name: words }),
    ...(from > 0 && { from: String(from) }),
    ...(archived && { archived: 'yes' }),
  });
  return asked.size ? `${page}?${asked}` : page;
};
