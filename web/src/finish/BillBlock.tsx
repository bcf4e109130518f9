import { Box, Button, Stack, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { useMoney } from '../account/money';
import { answer, api } from '../api/http';
import type { Visit } from '../api/types';
import { useWrite } from '../api/useWrite';
import { readNumber } from '../app/fields';
import { Block } from '../app/Page';
import { WriteProblem } from '../app/states';
import { capital, count, word } from '../words/words';

const text = (value: number | null | undefined) => (value == null ? '' : String(value));

/** What it costs: the sum line by line, the minutes as they really were, a price that was agreed. */
export function BillBlock({ visit, mayWrite }: { visit: Visit; mayWrite: boolean }) {
  const { amount, currency } = useMoney();
  const { bill } = visit.finish;
  const { terms, usualMinutes, unpriced } = bill;
  const [minutes, setMinutes] = useState(text(terms.minutes));
  const [agreed, setAgreed] = useState(text(terms.agreed));
  const [note, setNote] = useState(terms.note ?? '');
  const write = useWrite(() =>
    answer(
      api.PUT('/api/visits/{visitId}/bill', {
        params: { path: { visitId: visit.id } },
        body: { minutes: readNumber(minutes), agreed: readNumber(agreed), note: note || undefined },
      }),
    ),
  );
  const wrong = (field: string, typed: string) =>
    Number.isNaN(readNumber(typed))
      ? 'Enter a number.'
      : write.problem?.errors.find((e) => e.field === field)?.message;
  const isTyped = !Number.isNaN(readNumber(minutes)) && !Number.isNaN(readNumber(agreed));
  const lines: [string, number][] = [
    ...(bill.agreed
      ? []
      : ([
          [`Hands, ${count('MINUTES', bill.minutes)}`, bill.hands],
          ['Fluids', bill.fluids],
          ['New parts', bill.parts],
          ['Margin on fluids and parts', bill.margin],
        ] as [string, number][])),
    [bill.agreed ? 'Price as agreed' : 'Together', bill.net],
    ['Tax', bill.tax],
  ];
  return (
    <Block title="What it costs">
      <Box
        component="dl"
        sx={{ display: 'grid', gridTemplateColumns: '1fr auto', m: 0, rowGap: 0.5, maxWidth: 460 }}
      >
        {lines
          .filter(([label, value]) => value !== 0 || label === 'Together')
          .map(([label, value]) => (
            <Line key={label} label={label} value={amount(value)} />
          ))}
        <Line label="In all" value={amount(bill.total)} isSum />
      </Box>
      {bill.overLimit != null && bill.limit != null && (
        <Typography role="status" sx={{ fontWeight: 650, mt: 1 }}>
          Over the limit of {amount(bill.limit)} by {amount(bill.overLimit)}. The report says so.
        </Typography>
      )}
      {unpriced.length > 0 && (
        <Typography sx={{ mt: 1 }}>
          Without a price, and in no sum:{' '}
          {unpriced.map((u) => u.lot ?? `new ${word('part', u.part ?? '')}`).join(', ')}.
        </Typography>
      )}
      {mayWrite && (
        <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', mt: 2, alignItems: 'flex-start' }}>
          <TextField
            label="Minutes of hands"
            value={minutes}
            placeholder={String(usualMinutes)}
            onChange={(event) => setMinutes(event.target.value)}
            error={wrong('minutes', minutes) !== undefined}
            helperText={
              wrong('minutes', minutes) ?? `${usualMinutes} by what was logged, as it usually takes`
            }
            slotProps={{ htmlInput: { inputMode: 'numeric' }, inputLabel: { shrink: true } }}
            sx={{ width: 220 }}
          />
          <TextField
            label={`Agreed price before tax, ${currency}`}
            value={agreed}
            onChange={(event) => setAgreed(event.target.value)}
            error={wrong('agreed', agreed) !== undefined}
            helperText={wrong('agreed', agreed) ?? 'Empty for the sum'}
            slotProps={{ htmlInput: { inputMode: 'decimal' } }}
            sx={{ width: 260 }}
          />
          <TextField
            label="A word with the price"
            value={note}
            onChange={(event) => setNote(event.target.value)}
            error={wrong('note', '') !== undefined}
            helperText={wrong('note', '')}
            sx={{ flex: '1 1 240px' }}
          />
          <Button
            variant="outlined"
            loading={write.isBusy}
            disabled={!isTyped}
            onClick={() => write.send(undefined)}
            sx={{ minHeight: 56 }}
          >
            Reckon it up
          </Button>
        </Stack>
      )}
      <WriteProblem problem={write.problem} />
    </Block>
  );
}

function Line({ label, value, isSum }: { label: string; value: string; isSum?: boolean }) {
  const sx = isSum ? { fontWeight: 700, fontSize: '1.25rem', borderTop: '2px solid', pt: 0.5 } : {};
  return (
    <>
      <Typography component="dt" sx={sx}>
        {capital(label)}
      </Typography>
      <Typography component="dd" sx={{ m: 0, textAlign: 'right', fontVariantNumeric: 'tabular-nums', ...sx }}>
        {value}
      </Typography>
    </>
  );
}
