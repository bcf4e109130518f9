import { Box, Stack, Typography } from '@mui/material';
import { useMoney } from '../account/money';
import type { Money } from '../api/types';
import { percent } from '../diagnosis/judgement';

/** The chance with its interval on one scale, and the point below which stopping is advised. */
export function WorthPicture({ money }: { money: Money }) {
  const { worth } = money;
  const at = (share: number) => `${100 * share}%`;
  const words = `Chance ${percent(money.mean)}, interval ${percent(money.low)} to ${percent(money.high)}${
    worth ? `, stopping advised below ${percent(worth.breakEven)}` : ''
  }`;
  return (
    <Box sx={{ my: 2 }}>
      <Box role="img" aria-label={words} sx={{ position: 'relative', height: 84, mx: 2 }}>
        {worth && (
          <Box
            sx={{
              position: 'absolute',
              left: 0,
              width: at(worth.breakEven),
              top: 22,
              height: 32,
              backgroundImage: (t) =>
                `repeating-linear-gradient(45deg, ${t.vars.palette.line} 0 4px, transparent 4px 10px)`,
            }}
          />
        )}
        <Box
          sx={{ position: 'absolute', left: 0, right: 0, top: 37, height: 2, bgcolor: 'text.secondary' }}
        />
        <Box
          sx={{
            position: 'absolute',
            left: at(money.low),
            width: at(money.high - money.low),
            top: 31,
            height: 14,
            bgcolor: 'thread',
            opacity: 0.55,
          }}
        />
        <Box
          sx={{
            position: 'absolute',
            left: at(money.mean),
            top: 24,
            width: 8,
            ml: '-4px',
            height: 28,
            bgcolor: 'thread',
          }}
        />
        {worth && (
          <>
            <Box
              sx={{
                position: 'absolute',
                left: at(worth.breakEven),
                top: 14,
                height: 46,
                borderLeft: '3px solid',
                borderColor: 'text.primary',
              }}
            />
            <Typography
              sx={{
                position: 'absolute',
                top: -10,
                left: at(Math.min(0.8, worth.breakEven)),
                whiteSpace: 'nowrap',
                pl: 0.5,
              }}
            >
              stop below {percent(worth.breakEven)}
            </Typography>
          </>
        )}
        {[0, 0.25, 0.5, 0.75, 1].map((mark) => (
          <Typography
            key={mark}
            color="text.secondary"
            sx={{ position: 'absolute', top: 60, left: at(mark), transform: 'translateX(-50%)' }}
          >
            {100 * mark}
          </Typography>
        ))}
      </Box>
      {worth && <Amounts money={money} />}
    </Box>
  );
}

/** What was spent, what the next attempt costs, and what it is held against: lengths on one scale. */
function Amounts({ money }: { money: Money }) {
  const { amount: inMoney } = useMoney();
  const rows: [string, number][] = [
    ['Spent so far', money.spent],
    ['Next attempt', money.worth?.cost ?? 0],
  ];
  if (typeof money.priceLimit === 'number') {
    rows.push(['Customer’s limit', money.priceLimit]);
  }
  if (money.terms.headPrice !== undefined && money.terms.headPrice !== null) {
    rows.push(['Replacement head', money.terms.headPrice]);
  }
  if (typeof money.printerPrice === 'number') {
    rows.push(['Replacement printer', money.printerPrice]);
  }
  const most = Math.max(1, ...rows.map(([, amount]) => amount));
  return (
    <Stack component="ul" spacing={0.5} sx={{ listStyle: 'none', p: 0, m: 0, mt: 2 }}>
      {rows.map(([label, amount]) => (
        <Box
          component="li"
          key={label}
          sx={{ display: 'grid', gridTemplateColumns: '170px minmax(0, 1fr)', gap: 1, alignItems: 'center' }}
        >
          <Typography>{label}</Typography>
          <Stack direction="row" sx={{ gap: 1, alignItems: 'center' }}>
            <Box
              aria-hidden
              sx={{ bgcolor: 'primary.main', height: 14, width: `${(80 * amount) / most}%`, minWidth: 2 }}
            />
            <Typography>{inMoney(amount)}</Typography>
          </Stack>
        </Box>
      ))}
    </Stack>
  );
}
