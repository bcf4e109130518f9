import { Box, Button, Stack, Typography } from '@mui/material';
import { zodResolver } from '@hookform/resolvers/zod';
import { useForm } from 'react-hook-form';
import { useParams } from 'react-router';
import * as z from 'zod';
import { useMoney } from '../account/money';
import { useSession } from '../account/session';
import { answer, api } from '../api/http';
import { useJudgement, useVisit } from '../api/queries';
import type { Money, Visit, WorthTerms } from '../api/types';
import { useWrite } from '../api/useWrite';
import { Entry, readNumber } from '../app/fields';
import { Block, Page } from '../app/Page';
import { Empty, Failed, Loading, WriteProblem } from '../app/states';
import { typedNumber } from '../app/typed';
import { useProblemAt } from '../app/useProblemAt';
import { percent } from '../diagnosis/judgement';
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
  const { amount } = useMoney();
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
        Chance {percent(money.mean)} × worth {worth.value.toFixed(2)} − damage {percent(worth.harmChance)} ×
        its cost {worth.harmCost.toFixed(2)} − hands and fluids {worth.cost.toFixed(2)} ={' '}
        <b>{amount(worth.gain)}</b> on average. Stopping is advised below a chance of{' '}
        {percent(worth.breakEven)}.
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
type Typed = Record<Field, string>;

const FIELDS: { field: Field; label: string; unit: string; isShare?: boolean }[] = [
  { field: 'headPrice', label: 'Price of a replacement head', unit: 'money' },
  { field: 'value', label: 'Worth of a recovered head', unit: 'money' },
  { field: 'chance', label: 'Chance of acceptance', unit: '%', isShare: true },
  { field: 'harmChance', label: 'Chance of damage', unit: '%', isShare: true },
  { field: 'harmCost', label: 'Cost of damage', unit: 'money' },
  { field: 'minutes', label: 'Hands on it', unit: 'min' },
  { field: 'fluids', label: 'Fluids', unit: 'money' },
];

function shown(value: number | null | undefined, isShare: boolean | undefined): string {
  return value === undefined || value === null
    ? ''
    : String(isShare ? Number((100 * value).toFixed(2)) : value);
}

const schema = z.record(z.string(), typedNumber('Enter a number, such as 120 or 2.5.'));

/** The terms, each worked out until somebody enters another. */
function Terms({ visit, money, mayWrite }: { visit: Visit; money: Money; mayWrite: boolean }) {
  const { amount, currency } = useMoney();
  const form = useForm<Typed>({
    defaultValues: Object.fromEntries(
      FIELDS.map(({ field, isShare }) => [field, shown(money.terms[field], isShare)]),
    ) as Typed,
    resolver: zodResolver(schema) as never,
  });
  const write = useWrite((typed: Typed) =>
    answer(
      api.PUT('/api/visits/{visitId}/worth', {
        params: { path: { visitId: visit.id } },
        body: Object.fromEntries(
          FIELDS.map(({ field, isShare }) => {
            const value = readNumber(typed[field]);
            return [field, value === undefined ? undefined : isShare ? value / 100 : value];
          }),
        ),
      }),
    ),
  );
  useProblemAt(form, write.problem);

  return (
    <Block title="The terms">
      <Stack spacing={2}>
        <Typography color="text.secondary">
          Empty means worked out; what is worked out stands below each. Spent so far {amount(money.spent)}
          {typeof money.priceLimit === 'number' && `, the customer pays at most ${amount(money.priceLimit)}`}
          {typeof money.printerPrice === 'number' && `, a new printer costs ${amount(money.printerPrice)}`}.
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
              <Entry
                control={form.control}
                name={field}
                label={label}
                unit={unit === 'money' ? currency : unit}
                isNumber
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
        <WriteProblem problem={write.problem} />
        {mayWrite && (
          <Button
            variant="contained"
            size="large"
            loading={write.isBusy}
            onClick={form.handleSubmit((typed) => write.send(typed))}
            sx={{ alignSelf: 'flex-start' }}
          >
            Keep these terms
          </Button>
        )}
      </Stack>
    </Block>
  );
}
