import { Box, Stack, Typography } from '@mui/material';
import { useMoney } from '../account/money';
import type { House } from '../api/types';
import { Block } from '../app/Page';
import { day } from '../bench/time';
import { capital, terms, word } from '../words/words';
import { LIMIT_NUMBERS, LIMIT_WAYS } from './FamilyRules';
import { LIMIT_WORDS } from './changes';
import { percent } from '../diagnosis/judgement';

/** The house rules as plain text: what holds, what the default is and why, who changed it last and when. */
export function HouseRead({ house }: { house: House }) {
  const { currency } = useMoney();
  const { book } = house;
  const parts = terms('part').filter((part) => book.partPrices?.[part] !== undefined);
  return (
    <Stack spacing={2}>
      <Block title="Where practice divides">
        <Box component="dl" sx={{ m: 0, display: 'grid', gap: 1.5, gridTemplateColumns: { md: '1fr 1fr' } }}>
          {house.questions.map(({ question, schools }) => {
            const school = book.answers[question] ?? schools[0];
            const by = lastChange(house, question);
            return (
              <Box key={question}>
                <Typography component="dt" sx={{ fontWeight: 650 }}>
                  {capital(word('houseQuestion', question))}
                </Typography>
                <Typography component="dd" sx={{ m: 0, fontSize: '1.125rem' }}>
                  {capital(word('houseSchool', `${question}.${school}`))}
                </Typography>
                <Typography component="dd" color="text.secondary" sx={{ m: 0 }}>
                  {school === schools[0]
                    ? 'The default. '
                    : `Default: ${word('houseSchool', `${question}.${schools[0]}`)}. `}
                  {word('houseWhy', question)}
                  {by && ` Changed by ${by.madeBy} on ${day(by.madeAt)}: ${by.why}`}
                </Typography>
              </Box>
            );
          })}
        </Box>
      </Block>
      <Block title="Rates and parts">
        <Typography>
          An hour of hands: {book.ratePerHour} {currency}. Harm to board or printer: {book.riskShare} of a new
          printer. Margin on fluids and parts: {percent(book.marginShare ?? 0)}. Tax:{' '}
          {percent(book.taxShare ?? 0)}.
        </Typography>
        {parts.map((part) => (
          <Typography key={part}>
            A new {word('part', part)}: {book.partPrices?.[part]} {currency}
          </Typography>
        ))}
      </Block>
      <Block title="Limits of the families">
        {house.families.map(({ code, name, usualLimits }) => {
          const limits = book.limits[code] ?? usualLimits;
          const numbers = LIMIT_NUMBERS.map(({ limit, unit }) =>
            limits[limit] === undefined || limits[limit] === null
              ? `${LIMIT_WORDS[limit]}: not at all`
              : `${LIMIT_WORDS[limit]}: ${limits[limit]} ${unit}`,
          );
          const ways = LIMIT_WAYS.map(
            ({ limit, choices }) => `${LIMIT_WORDS[limit]}: ${choices[String(limits[limit])]}`,
          );
          return (
            <Typography key={code} sx={{ mb: 0.5 }}>
              <b>{name}</b>
              {book.limits[code] ? ' (its own)' : ' (of its construction)'}:{' '}
              {[...numbers, ...ways].join('; ')}.
            </Typography>
          );
        })}
      </Block>
    </Stack>
  );
}

/** The last book that changed the answer to a question; undefined while it stands as it began. */
function lastChange(house: House, question: string) {
  return house.changes.find((change, i) => {
    const before = house.changes[i + 1]?.book.answers as Record<string, string> | undefined;
    const now = change.book.answers as Record<string, string>;
    return (before?.[question] ?? null) !== (now[question] ?? null);
  });
}
