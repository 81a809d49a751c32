import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import {
  placeOfManyInWords,
  spreadsOfMany,
  swingByTempo,
  switchesOfMany,
  weakestPlace,
  weakestSwitch,
  weaknessOfPlace,
  weaknessOfSwitch,
  type FiguresOfMany,
} from '@/core/plan/studentFigures';
import type { TakeFigure } from '@/core/documents/takeFigures';
import { rateInWords, switchInWords } from '@/core/wording/figuresInWords';
import type { Reader } from '../reader';
import { FigureRows } from '../take/FigureRows';
import { weaknessHref } from '../take/weaknessHref';
import { lateOrEarly, tempoInWords } from '../words/figures';
import { opening, plural } from '../words/text';
import { PlaceHeat } from './PlaceHeat';

interface StudentFiguresProps {
  figures: FiguresOfMany;
  reader: Reader;
  /** Whether a drill can be made of what is weak: the teacher makes them. */
  canDrill: boolean;
}

/** The smallest error that anybody hears. */
const AUDIBLE_MS = 6;

/**
 * What all takes of late come to: by place, by switch of rate, swing by tempo, spread by rate; the weakest as a
 * drill.
 */
export function StudentFigures({
  figures: { takes, heat },
  reader: { school, report },
  canDrill,
}: StudentFiguresProps) {
  if (!takes.length) return null;
  const tempo = Math.round(takes[0]!.tempo);
  const [switches, swing, spreads] = [switchesOfMany(takes), swingByTempo(takes), spreadsOfMany(takes)];
  const place = weakestPlace(heat);
  const slip = weakestSwitch(switches);
  const slipDrill = slip && weaknessOfSwitch(slip, tempo);
  const bySwing = swing.map(({ tempo: at, ...figure }) => ({
    ...figure,
    label: `At ${tempoInWords(at)}, ${figure.of}s`,
  }));
  return (
    <Box component="section" sx={{ display: 'grid', gap: 3 }}>
      <Box>
        <Typography variant="h2" gutterBottom>
          Where it slips
        </Typography>
        <Typography color="textSecondary">From the last {plural(takes.length, 'take')} that count.</Typography>
        {place && (
          <Weakest
            say={`${opening(placeOfManyInWords(place, school, report))}.`}
            href={canDrill ? weaknessHref(weaknessOfPlace(place, tempo)) : undefined}
          />
        )}
        {slip && slipDrill && (
          <Weakest
            say={`The change ${switchInWords(slip.of)}: the first three notes come ${howLate(slip.value!, report)}.`}
            href={canDrill ? weaknessHref(slipDrill) : undefined}
          />
        )}
        {!place && !slip && <Typography>No place and no change of rate lies off by more than can be heard.</Typography>}
      </Box>
      <PlaceHeat places={heat} school={school} />
      {switches.length > 0 && <SwitchMatrix switches={switches} />}
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 400px), 1fr))',
          columnGap: 5,
          rowGap: 3,
          alignItems: 'start',
        }}
      >
        <FigureRows title="Swing by tempo" figures={bySwing} audibleMs={AUDIBLE_MS} />
        <FigureRows title="Spread by rate" figures={spreads} audibleMs={AUDIBLE_MS} />
      </Box>
    </Box>
  );
}

const howLate = (ms: number, report: Reader['report']): string =>
  report === 'figures' ? lateOrEarly(ms) : `too ${ms > 0 ? 'late' : 'early'}`;

function Weakest({ say, href }: { say: string; href?: string }) {
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 2, py: 0.75 }}>
      <Typography sx={{ fontWeight: 600 }}>{say}</Typography>
      {href && (
        <Button href={href} variant="outlined" size="small">
          Make a drill of this
        </Button>
      )}
    </Box>
  );
}

/** From which rate (down) to which (across), how late the first three notes come. */
function SwitchMatrix({ switches }: { switches: readonly TakeFigure[] }) {
  const sides = switches.map(({ of }) => of.split('>') as [string, string]);
  const rates = [...new Set(sides.flat())].sort((a, b) => Number(a) - Number(b));
  const of = (from: string, to: string) => switches.find((one) => one.of === `${from}>${to}`);
  return (
    <Box>
      <Typography variant="h2" gutterBottom>
        Changes of rate
      </Typography>
      <Box sx={{ overflowX: 'auto', maxWidth: 720 }} tabIndex={0} role="region" aria-label="Changes of rate">
        <Table size="small">
          <TableHead>
            <TableRow>
              <TableCell>from ↓ to →</TableCell>
              {rates.map((rate) => (
                <TableCell key={rate}>{rateInWords(rate)}</TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {rates.map((from) => (
              <TableRow key={from}>
                <TableCell component="th" scope="row">
                  {rateInWords(from)}
                </TableCell>
                {rates.map((to) => {
                  const one = of(from, to);
                  const isOff = Math.abs(one?.value ?? 0) >= AUDIBLE_MS;
                  return (
                    <TableCell key={to} sx={{ color: isOff ? 'error.main' : undefined, whiteSpace: 'nowrap' }}>
                      {one ? `${lateOrEarly(one.value)} (${one.n})` : '·'}
                    </TableCell>
                  );
                })}
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 0.5 }}>
        The first three notes after the change; in brackets from how many takes.
      </Typography>
    </Box>
  );
}
