import { Box, Button, Stack, Typography } from '@mui/material';
import { useState } from 'react';
import { useParams } from 'react-router';
import { useQueryClient } from '@tanstack/react-query';
import { useSession } from '../account/session';
import { http, Problem } from '../api/http';
import { useJudgement, useVisit } from '../api/queries';
import type { Judgement, Money, Visit, WorthTerms } from '../api/types';
import { readNumber } from '../app/fields';
import { Block, Page } from '../app/Page';
import { Empty, Failed, Loading, WriteProblem } from '../app/states';
import { percent } from '../diagnosis/judgement';
import { NumberField } from '../treatment/NumberField';
import { capital, word } from '../words/words';
import { WorthPicture } from './WorthPicture';

export default function WorthPage() {
  const { id = '' } = useParams();
  const visit = useVisit(id);
  const judgement = useJudgement(id);
  if (visit.isPending || judgement.isPending) {
    return <Loading what="odds and money" />;
  }
  if (!visit.data || !judgement.data) {
    return (
      <Failed
        error={(visit.error ?? judgement.error) as Error}
        again={() => void Promise.all([visit.refetch(), judgement.refetch()])}
      />
    );
  }
  return <WorthView visit={visit.data} money={judgement.data.money} />;
}

/** Odds and money of the next attempt, each term shown and editable. */
function WorthView({ visit, money }: { visit: Visit; money: Money | undefined }) {
  const { mayWrite } = useSession();
  return (
    <Page
      title="Worth it?"
      back={{ to: `/visits/${visit.id}`, label: visit.tag }}
      aside={
        <Button variant="contained" href={`/api/visits/${visit.id}/quote.pdf`} target="_blank">
          Quote as PDF
        </Button>
      }
    >
      {!money ? (
        <Block title="No attempt would be next">
          <Empty>
            Odds and money are about the next attempt. What is advised now is a check, a look, or to finish.
          </Empty>
        </Block>
      ) : (
        <Stack spacing={2}>
          <Block title={`${capital(word('method', money.method))}, attempt ${money.number}`}>
            <Verdict money={money} />
            <WorthPicture money={money} />
            <Record money={money} />
          </Block>
          <Terms
            key={JSON.stringify(money.terms)}
            visit={visit}
            money={money}
            mayWrite={mayWrite && visit.closedAt === undefined}
          />
        </Stack>
      )}
    </Page>
  );
}

function Verdict({ money }: { money: Money }) {
  const { worth } = money;
  if (!worth) {
    return (
      <Typography sx={{ fontWeight: 650 }}>
        What a recovered head is worth is not known: enter the price of a replacement head, or of the printer.
      </Typography>
    );
  }
  return (
    <>
      <Typography variant="h2" component="p" sx={{ fontSize: '1.5rem' }}>
        {capital(word('worthVerdict', worth.verdict))}
      </Typography>
      <Typography>
        {percent(money.mean)} × {worth.value.toFixed(2)} − {percent(worth.harmChance)} ×{' '}
        {worth.harmCost.toFixed(2)} − {worth.cost.toFixed(2)} = <b>{worth.gain.toFixed(2)} EUR</b> on average.
        Stopping is advised below a chance of {percent(worth.breakEven)}.
      </Typography>
    </>
  );
}

function Record({ money }: { money: Money }) {
  const { odds } = money;
  const cases = odds.cellTried + odds.familyTried + odds.allTried;
  return (
    <Typography color="text.secondary">
      {money.terms.chance !== undefined && money.terms.chance !== null
        ? 'The chance was entered by hand. '
        : `Chance ${percent(money.mean)}, 80 % interval ${percent(money.low)} to ${percent(money.high)}. `}
      {cases === 0
        ? `The shop has no record of this method yet: it is a starting belief of ${percent(odds.start)}.`
        : `Behind it: ${odds.cellReached} of ${odds.cellTried} with this family, ink and attempt number, ${odds.familyReached} of ${odds.familyTried} more in the family, ${odds.allReached} of ${odds.allTried} in other families.`}
    </Typography>
  );
}

type Field = keyof WorthTerms;

const FIELDS: { field: Field; label: string; unit: string; isShare?: boolean }[] = [
  { field: 'headPrice', label: 'Price of a replacement head', unit: 'EUR' },
  { field: 'value', label: 'Worth of a recovered head (V)', unit: 'EUR' },
  { field: 'chance', label: 'Chance of acceptance (p)', unit: '%', isShare: true },
  { field: 'harmChance', label: 'Chance of damage (d)', unit: '%', isShare: true },
  { field: 'harmCost', label: 'Cost of damage (D)', unit: 'EUR' },
  { field: 'minutes', label: 'Hands on it', unit: 'min' },
  { field: 'fluids', label: 'Fluids', unit: 'EUR' },
];

function shown(value: number | null | undefined, isShare: boolean | undefined): string {
  return value === undefined || value === null
    ? ''
    : String(isShare ? Number((100 * value).toFixed(2)) : value);
}

/** The terms, each worked out until somebody enters another. */
function Terms({ visit, money, mayWrite }: { visit: Visit; money: Money; mayWrite: boolean }) {
  const queries = useQueryClient();
  const [typed, setTyped] = useState<Record<string, string>>(() =>
    Object.fromEntries(FIELDS.map(({ field, isShare }) => [field, shown(money.terms[field], isShare)])),
  );
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, setBusy] = useState(false);
  const notNumbers = FIELDS.filter(({ field }) => Number.isNaN(readNumber(typed[field])));

  async function save() {
    if (notNumbers.length > 0 || isBusy) {
      return;
    }
    setBusy(true);
    try {
      const terms = Object.fromEntries(
        FIELDS.map(({ field, isShare }) => {
          const value = readNumber(typed[field]);
          return [field, value === undefined ? undefined : isShare ? value / 100 : value];
        }),
      );
      queries.setQueryData(
        ['judgement', visit.id],
        await http.put<Judgement>(`/api/visits/${visit.id}/worth`, terms),
      );
      setProblem(null);
    } catch (error) {
      setProblem(error instanceof Problem ? error : null);
    } finally {
      setBusy(false);
    }
  }

  return (
    <Block title="The terms">
      <Stack spacing={2}>
        <Typography color="text.secondary">
          Empty means worked out; what is worked out stands below each. Spent so far {money.spent.toFixed(2)}{' '}
          EUR
          {typeof money.priceLimit === 'number' &&
            `, the customer pays at most ${money.priceLimit.toFixed(2)} EUR`}
          {typeof money.printerPrice === 'number' &&
            `, a new printer costs ${money.printerPrice.toFixed(2)} EUR`}
          .
        </Typography>
        <Box
          sx={{
            display: 'grid',
            gap: 2,
            gridTemplateColumns: { xs: '1fr', sm: 'repeat(auto-fit, minmax(300px, 1fr))' },
          }}
        >
          {FIELDS.map(({ field, label, unit, isShare }) => (
            <Stack key={field}>
              <NumberField
                label={label}
                unit={unit}
                value={typed[field]}
                onChange={(value) => setTyped({ ...typed, [field]: value })}
                error={
                  notNumbers.some((f) => f.field === field)
                    ? 'Enter a number, such as 120 or 2.5.'
                    : problem?.errors.find((e) => e.field === field)?.message
                }
              />
              <Typography color="text.secondary" sx={{ pl: 0.5 }}>
                {money.usual[field] === undefined || money.usual[field] === null
                  ? field === 'chance'
                    ? 'from the record'
                    : 'not known'
                  : `worked out: ${shown(money.usual[field], isShare)}`}
              </Typography>
            </Stack>
          ))}
        </Box>
        <WriteProblem problem={problem} />
        {mayWrite && (
          <Button
            variant="contained"
            size="large"
            loading={isBusy}
            onClick={() => void save()}
            sx={{ alignSelf: 'flex-start' }}
          >
            Keep these terms
          </Button>
        )}
      </Stack>
    </Block>
  );
}
