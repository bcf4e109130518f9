import { Box, Button, Collapse, Stack, Typography } from '@mui/material';
import { ChevronDown, ChevronUp, Minus, Plus } from 'lucide-react';
import { useId, useState } from 'react';
import { Link } from 'react-router';
import type { Likely, Reason, Visit } from '../api/types';
import { capital, word } from '../words/words';
import { observationSource, observationWords, percent } from './judgement';

const MARKS = [0, 25, 50, 75, 100];

/** Causes on one scale from 0 to 100 %; the tick is where the cause stood before anything was known. */
export function CauseBars({ visit, causes, short }: { visit: Visit; causes: Likely[]; short?: boolean }) {
  return (
    <Box>
      {causes.map((likely) => (
        <CauseBar key={likely.cause} visit={visit} likely={likely} short={short} />
      ))}
      <Box aria-hidden sx={{ position: 'relative', height: 26, ml: { sm: '212px' }, mr: '92px' }}>
        {MARKS.map((mark) => (
          <Typography
            key={mark}
            color="text.secondary"
            sx={{ position: 'absolute', left: `${mark}%`, transform: 'translateX(-50%)' }}
          >
            {mark}
          </Typography>
        ))}
      </Box>
    </Box>
  );
}

function CauseBar({ visit, likely, short }: { visit: Visit; likely: Likely; short?: boolean }) {
  const [isOpen, setOpen] = useState(false);
  const id = useId();
  const name = capital(word('cause', likely.cause));
  return (
    <Box sx={{ borderTop: '1px solid', borderColor: 'line' }}>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr) 92px', sm: '200px minmax(0, 1fr) 80px' },
          columnGap: '12px',
          alignItems: 'center',
          minHeight: 48,
        }}
      >
        <Button
          onClick={() => setOpen(!isOpen)}
          aria-expanded={isOpen}
          aria-controls={id}
          disabled={short}
          endIcon={short ? undefined : isOpen ? <ChevronUp /> : <ChevronDown />}
          sx={{
            justifyContent: 'space-between',
            textAlign: 'left',
            color: 'text.primary',
            px: 0.5,
            gridColumn: { xs: '1 / -1', sm: 'auto' },
            '&.Mui-disabled': { color: 'text.primary' },
          }}
        >
          {name}
        </Button>
        <Box
          sx={{
            position: 'relative',
            height: 22,
            backgroundImage: (t) =>
              `repeating-linear-gradient(90deg, ${t.vars.palette.line} 0 1px, transparent 1px 25%)`,
            borderRight: '1px solid',
            borderColor: 'line',
          }}
        >
          <Box
            sx={{ bgcolor: 'thread', height: '100%', width: `${100 * likely.probability}%`, minWidth: 2 }}
          />
          <Box
            title="before anything was known"
            sx={{
              position: 'absolute',
              top: -4,
              bottom: -4,
              left: `${100 * likely.prior}%`,
              borderLeft: '2px dashed',
              borderColor: 'text.secondary',
            }}
          />
        </Box>
        <Typography sx={{ fontWeight: 700, textAlign: 'right', whiteSpace: 'nowrap' }}>
          {percent(likely.probability)}
        </Typography>
      </Box>
      {!short && (
        <Collapse in={isOpen} id={id} unmountOnExit>
          <Reasons visit={visit} likely={likely} />
        </Collapse>
      )}
    </Box>
  );
}

function Reasons({ visit, likely }: { visit: Visit; likely: Likely }) {
  const speaksFor = (r: Reason) => ['STRONG', 'MODERATE', 'WEAK'].includes(r.weight);
  const isFor = likely.reasons.filter(speaksFor);
  const against = likely.reasons.filter((r) => !speaksFor(r));
  return (
    <Stack spacing={1} sx={{ pb: 2, pl: { sm: 1 } }}>
      <Typography color="text.secondary">
        Of all heads {percent(likely.prior)} come in with this.
        {likely.channel && ` Likeliest in ${likely.channel}.`} {isFor.length} for, {against.length} against.
      </Typography>
      {[...isFor, ...against].map((reason) => {
        const source = observationSource(reason.observation, visit);
        const Sign = speaksFor(reason) ? Plus : Minus;
        return (
          <Stack
            key={`${reason.observation.sign}/${reason.observation.channel}`}
            direction="row"
            sx={{ gap: 1, alignItems: 'center', flexWrap: 'wrap' }}
          >
            <Sign size={20} aria-hidden />
            <Typography sx={{ flex: 1, minWidth: 220 }}>
              {observationWords(reason.observation)}{' '}
              <Box component="span" sx={{ color: 'text.secondary' }}>
                ({word('weight', reason.weight)})
              </Box>
            </Typography>
            {source && (
              <Button component={Link} to={source.to}>
                {source.label}
              </Button>
            )}
          </Stack>
        );
      })}
      {likely.reasons.length === 0 && (
        <Typography>Nothing observed so far speaks for it or against it.</Typography>
      )}
    </Stack>
  );
}
