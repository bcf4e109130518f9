import { zodResolver } from '@hookform/resolvers/zod';
import { Box, Button, Stack, Typography } from '@mui/material';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef } from 'react';
import { FormProvider, useForm } from 'react-hook-form';
import { Link } from 'react-router';
import { useSession } from '../account/session';
import { answer, api, type Problem } from '../api/http';
import { newId } from '../api/newId';
import { useHouse } from '../api/queries';
import type { House } from '../api/types';
import { Entry, SelectEntry } from '../app/fields';
import { Block, Page } from '../app/Page';
import { Empty, Failed, Loading, WriteProblem } from '../app/states';
import { useProblemAt } from '../app/useProblemAt';
import { moment } from '../bench/time';
import { capital, word } from '../words/words';
import { changes } from './changes';
import { FamilyRules } from './FamilyRules';
import { HouseRead } from './HouseRead';
import { bookOf, houseForm, houseSchema, type HouseForm } from './houseForm';
import { PartsAndInk } from './PartsAndInk';
import { ShopBlock } from './ShopBlock';

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
  const key = useRef(newId());
  const form = useForm<HouseForm>({
    defaultValues: houseForm(house),
    resolver: zodResolver(houseSchema) as never,
    mode: 'onChange',
  });
  const { control } = form;
  const book = bookOf(form.watch(), house);
  const changed = changes(house.book, book);
  const write = useMutation<House, Problem, HouseForm>({
    mutationFn: (value) =>
      answer(
        api.PUT('/api/house-rules/{id}', {
          params: { path: { id: key.current } },
          body: { number: house.number, book: bookOf(value, house), why: value.why },
        }),
      ),
    onSuccess: async (now) => {
      key.current = newId();
      queries.setQueryData(['house'], now);
      await queries.invalidateQueries({ queryKey: ['visit'] });
      await queries.invalidateQueries({ queryKey: ['families'] });
    },
  });
  useProblemAt(form, write.error, (field) => field.replace(/^book\./, ''));

  return (
    <Page
      title="House rules"
      aside={
        <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
          {isLead && (
            <Button component={Link} to="/accounts" variant="outlined">
              Accounts
            </Button>
          )}
          <Button variant="outlined" component={Link} to="/families">
            Families
          </Button>
          <Button variant="outlined" component={Link} to="/layouts">
            Check layouts
          </Button>
        </Stack>
      }
    >
      <Stack spacing={2}>
        <ShopBlock house={house} isLead={isLead} />
        <Typography>
          {isLead
            ? 'Open visits keep the rules they came in with; limits hold for every head at once.'
            : 'A lead changes these. A visit keeps the rules it came in with.'}
        </Typography>
        {!isLead && <HouseRead house={house} />}
        {isLead && (
          <>
            <Block title="Where practice divides">
              <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' } }}>
                {house.questions.map(({ question, schools }) => (
                  <SelectEntry
                    key={question}
                    control={control}
                    name={`answers.${question}`}
                    label={capital(word('houseQuestion', question))}
                    hint={`Default: ${word('houseSchool', `${question}.${schools[0]}`)}. ${word('houseWhy', question)}`}
                    options={schools.map((school) => ({
                      value: school,
                      label: word('houseSchool', `${question}.${school}`),
                    }))}
                  />
                ))}
              </Box>
            </Block>
            <FormProvider {...form}>
              <FamilyRules house={house} isLead={isLead} />
              <PartsAndInk house={house} isLead={isLead} />
            </FormProvider>
          </>
        )}
        {isLead && (
          <Block title="Change the rules">
            <Stack spacing={1.5}>
              {changed.length === 0 ? (
                <Empty>Nothing is changed yet.</Empty>
              ) : (
                changed.map((line) => <Typography key={line}>{line}</Typography>)
              )}
              <Entry control={control} name="why" label="Why" hint="It is kept with your name." />
              {write.error?.isConflict && (
                <Typography role="alert" color="error">
                  Somebody changed the rules meanwhile. Yours are not lost: load the page again beside this
                  one, and enter what is still wanted.
                </Typography>
              )}
              <WriteProblem problem={write.error} />
              <Button
                variant="contained"
                size="large"
                disabled={changed.length === 0}
                loading={write.isPending}
                onClick={form.handleSubmit((value) => write.mutate(value))}
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
