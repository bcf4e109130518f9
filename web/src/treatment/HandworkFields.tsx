import { Button, Stack } from '@mui/material';
import { useFormContext, useWatch } from 'react-hook-form';
import { Link } from 'react-router';
import type { Method, Visit } from '../api/types';
import { Entry, SelectEntry } from '../app/fields';
import { keptFrom } from '../visit/power';
import { capital, terms, word, wordWith } from '../words/words';
import { formOf, type AttemptForm } from './attemptForm';
import { ChannelChoice } from './ChannelChoice';
import { PlaceFields } from './PlaceFields';
import { isFlush } from './roundsForm';

/** Work with the hands that has no doses or clocks of its own; it asks what it is about and nothing else. */
export function HandworkFields({ visit, choose }: { visit: Visit; choose?: (method: Method) => void }) {
  const { control } = useFormContext<AttemptForm>();
  const method = useWatch({ control, name: 'method' });
  const form = formOf(visit.usual, method);
  return (
    <>
      <SelectEntry
        control={control}
        name="method"
        label="What was done"
        hint={word('methodWatch', method)}
        onPick={(value) => choose?.(value as Method)}
        options={methodOptions(visit)}
      />
      {method === 'ALIGN' && (
        <Button
          variant="outlined"
          component={Link}
          to={`/visits/${visit.id}/align`}
          sx={{ alignSelf: 'flex-start', minHeight: 56 }}
        >
          Enter the pass, position by position
        </Button>
      )}
      <PlaceFields visit={visit} form={form} />
      {!form.wholeHead && <ChannelChoice visit={visit} />}
      {form.fluids.length > 0 && (
        <Entry
          control={control}
          name="volumeMl"
          label="Fluid from the bottle above; empty when none was used"
          unit="mL"
          isNumber
        />
      )}
      {form.waits.length > 0 && <WaitFields waits={form.waits} />}
      {form.heat && (
        <Entry control={control} name="temperatureC" label="Temperature, if warmed" unit="°C" isNumber />
      )}
      {form.suction && (
        <Entry
          control={control}
          name="suctionKpa"
          label="Greatest suction, if a gauge was read"
          unit="kPa"
          isNumber
          hint={visit.family.limits.suctionKpa ? `${visit.family.limits.suctionKpa} kPa at most.` : undefined}
        />
      )}
    </>
  );
}

/** Work that waits gets a clock; what was over as it is logged gets none. */
function WaitFields({ waits }: { waits: number[] }) {
  const { control, setValue } = useFormContext<AttemptForm>();
  return (
    <>
      <Entry
        control={control}
        name="plannedMinutes"
        label="Planned time; empty when it is over"
        unit="min"
        isNumber
      />
      <Stack direction="row" role="group" aria-label="Usual times" sx={{ gap: 1, flexWrap: 'wrap' }}>
        {waits.map((minutes) => (
          <Button
            key={minutes}
            variant="outlined"
            onClick={() =>
              setValue('plannedMinutes', String(minutes), { shouldDirty: true, shouldValidate: true })
            }
          >
            {minutes < 90 ? `${minutes} min` : `${minutes / 60} h`}
          </Button>
        ))}
      </Stack>
    </>
  );
}

/** What goes by strokes has a page of its own; a flush has a key for it. */
function isByStrokes(visit: Visit, method: Method): boolean {
  return visit.usual.kinds[method] === 'FLUSH' && !isFlush(method);
}

/** What the head is offered, in the order of the ladder; what it may not have now, or never, stands last with why. */
function methodOptions(visit: Visit) {
  const noPower = keptFrom(visit.head, Date.parse(visit.serverTime)).length > 0;
  const never = new Map(visit.usual.notForHead.map((barred) => [barred.method as string, barred.why]));
  const order = (value: string) => (never.has(value) ? 2 : noPower && visit.usual.forms[value].power ? 1 : 0);
  return terms('method')
    .filter((value) => visit.usual.kinds[value] === 'HANDWORK' || isByStrokes(visit, value as Method))
    .map((value, i) => ({ value, i }))
    .sort((a, b) => order(a.value) - order(b.value) || a.i - b.i)
    .map(({ value }) => ({
      value,
      label: never.has(value)
        ? `Not for this head: ${word('method', value)}. ${wordWith('gate', never.get(value)!, { CHANNEL: 'any channel' })}`
        : order(value) === 1
          ? `No power now: ${word('method', value)}`
          : capital(word('method', value)),
    }));
}
