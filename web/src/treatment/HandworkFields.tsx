import { useFormContext, useWatch } from 'react-hook-form';
import type { Visit } from '../api/types';
import { Entry, SelectEntry } from '../app/fields';
import { capital, terms, word } from '../words/words';
import type { AttemptForm } from './attemptForm';
import { ChannelChoice } from './ChannelChoice';

/** Work with the hands that has no doses or clocks of its own. */
export function HandworkFields({ visit }: { visit: Visit }) {
  const { control } = useFormContext<AttemptForm>();
  const method = useWatch({ control, name: 'method' });
  const work = terms('method').filter((value) => visit.usual.kinds[value] === 'HANDWORK');
  // What the head may not have stands last; it can still be logged, by whom its gate lets through.
  const isBarred = (value: string) => visit.usual.notForHead.some((barred) => barred === value);
  return (
    <>
      <SelectEntry
        control={control}
        name="method"
        label="What was done"
        hint={word('methodWatch', method)}
        options={[...work.filter((value) => !isBarred(value)), ...work.filter(isBarred)].map((value) => ({
          value,
          label: isBarred(value)
            ? `Not for this head: ${word('method', value)}`
            : capital(word('method', value)),
        }))}
      />
      <ChannelChoice visit={visit} />
      <Entry
        control={control}
        name="volumeMl"
        label="Fluid from the bottle above; empty when none was used"
        unit="mL"
        isNumber
      />
    </>
  );
}
