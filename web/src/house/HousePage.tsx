import { Box, Button, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { useSession } from '../account/session';
import { http, Problem } from '../api/http';
import { newId } from '../api/newId';
import { useHouse } from '../api/queries';
import type { House, HouseBook } from '../api/types';
import { Block, Page } from '../app/Page';
import { Empty, Failed, Loading, WriteProblem } from '../app/states';
import { moment } from '../bench/time';
import { capital, word } from '../words/words';
import { changes } from './changes';
import { FamilyRules } from './FamilyRules';

export default function HousePage() {
  const house = useHouse();
  if (house.isPending) {
    return <Loading what="the house rules" />;
  }
  if (!house.data) {
    return <Failed error={house.error} again={() => void house.refetch()} />;
  }
  return <HouseView key={house.data.number} house={house.data} />;
}

/** Where practice divides: read by all, changed by a lead. */
function HouseView({ house }: { house: House }) {
  const { isLead } = useSession();
  const queries = useQueryClient();
  const [book, setBook] = useState<HouseBook>(house.book);
  const [unread, setUnread] = useState<string[]>([]);
  const [why, setWhy] = useState('');
  const [key, setKey] = useState(newId);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, setBusy] = useState(false);
  const wrong = (field: string) =>
    unread.includes(field)
      ? 'Enter a number, such as 40 or 2.5.'
      : problem?.errors.find((e) => e.field === field)?.message;
  const changed = changes(house.book, book);

  async function save() {
    if (isBusy || unread.length > 0) {
      return;
    }
    setBusy(true);
    try {
      const now = await http.put<House>(`/api/house-rules/${key}`, { number: house.number, book, why });
      setKey(newId());
      queries.setQueryData(['house'], now);
      await queries.invalidateQueries({ queryKey: ['judgement'] });
      await queries.invalidateQueries({ queryKey: ['families'] });
    } catch (error) {
      setProblem(error instanceof Problem ? error : null);
    } finally {
      setBusy(false);
    }
  }

  return (
    <Page title="House rules">
      <Stack spacing={2}>
        <Typography>
          {isLead
            ? 'Open visits keep the rules they came in with; limits hold for every head at once.'
            : 'A lead changes these. A visit keeps the rules it came in with.'}
        </Typography>
        <Block title="Where practice divides">
          <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' } }}>
            {house.questions.map(({ question, schools }) => (
              <TextField
                key={question}
                select
                disabled={!isLead}
                label={capital(word('houseQuestion', question))}
                value={book.answers[question] ?? schools[0]}
                onChange={(event) =>
                  setBook({ ...book, answers: { ...book.answers, [question]: event.target.value } })
                }
                error={wrong(`book.answers.${question}`) !== undefined}
                helperText={
                  wrong(`book.answers.${question}`) ??
                  `Default: ${word('houseSchool', `${question}.${schools[0]}`)}. ${word('houseWhy', question)}`
                }
              >
                {schools.map((school) => (
                  <MenuItem key={school} value={school} sx={{ minHeight: 48 }}>
                    {word('houseSchool', `${question}.${school}`)}
                  </MenuItem>
                ))}
              </TextField>
            ))}
          </Box>
        </Block>
        <FamilyRules
          house={house}
          book={book}
          change={setBook}
          unread={unread}
          setUnread={setUnread}
          wrong={wrong}
          isLead={isLead}
        />
        {isLead && (
          <Block title="Change the rules">
            <Stack spacing={1.5}>
              {changed.length === 0 ? (
                <Empty>Nothing is changed yet.</Empty>
              ) : (
                changed.map((line) => <Typography key={line}>{line}</Typography>)
              )}
              <TextField
                label="Why"
                value={why}
                onChange={(event) => setWhy(event.target.value)}
                error={wrong('why') !== undefined}
                helperText={wrong('why') ?? 'It is kept with your name.'}
              />
              {problem?.isConflict && (
                <Typography role="alert" color="error">
                  Somebody changed the rules meanwhile. Yours are not lost: load the page again beside this
                  one, and enter what is still wanted.
                </Typography>
              )}
              <WriteProblem problem={problem} />
              <Button
                variant="contained"
                size="large"
                disabled={changed.length === 0}
                loading={isBusy}
                onClick={() => void save()}
                sx={{ alignSelf: 'flex-start' }}
              >
                Change the house rules
              </Button>
            </Stack>
          </Block>
        )}
        <Block title="Every change">
          {house.changes.length === 0 && <Empty>The rules are those a new shop starts from.</Empty>}
          <Stack component="ol" spacing={1} sx={{ listStyle: 'none', p: 0, m: 0 }}>
            {house.changes.map((change, i) => (
              <Box
                component="li"
                key={change.number}
                sx={{ borderTop: '1px solid', borderColor: 'line', pt: 1 }}
              >
                <Typography sx={{ fontWeight: 650 }}>
                  Rules {change.number}, {change.madeBy}, {moment(change.madeAt)}: {change.why}
                </Typography>
                {changes(house.changes[i + 1]?.book, change.book).map((line) => (
                  <Typography key={line}>{line}</Typography>
                ))}
              </Box>
            ))}
          </Stack>
        </Block>
      </Stack>
    </Page>
  );
}
