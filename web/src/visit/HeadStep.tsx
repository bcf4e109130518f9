import { Alert, Button, Stack, Typography } from '@mui/material';
import type { HeadEntry, Visit } from '../api/types';
import { KeyHint } from '../app/KeyHint';
import { WriteProblem } from '../app/states';
import { useHeadEntry } from './useHeadEntry';

interface Tap {
  entry: HeadEntry;
  label: string;
}

/** What a hand does to the head before anything else: one tap each. The first is the one that Enter taps. */
const TAPS: Partial<Record<Visit['next']['action'], { says: string; danger?: string; taps: Tap[] }>> = {
  TAKE_PAD_OUT: {
    says: 'Nothing that needs the mains is offered before it is out.',
    danger: 'The carriage would drive the face into it.',
    taps: [{ entry: 'PAD_OUT', label: 'Pad out' }],
  },
  LOOK_IF_DRY: {
    says: 'Fluid went in. Look at contacts and board; until somebody has, there is no power.',
    danger: 'Power on a damp head costs head, ribbon and main board in one go.',
    taps: [
      { entry: 'SEEN_DRY', label: 'Both dry' },
      { entry: 'CONTACTS_DAMP', label: 'Contacts damp' },
      { entry: 'BOARD_DAMP', label: 'Board damp' },
    ],
  },
  WIPE_SPILL: {
    says: 'Wipe it up, look at every cable, then at contacts and board.',
    danger: 'Power on a damp head costs head, ribbon and main board in one go.',
    taps: [
      { entry: 'SEEN_DRY', label: 'Wiped, both dry' },
      { entry: 'CONTACTS_DAMP', label: 'Contacts damp' },
      { entry: 'BOARD_DAMP', label: 'Board damp' },
    ],
  },
  REFIT: {
    says: 'The head is out. By the reversed list: ribbon straight and the right way round, seals the right way up.',
    danger: 'Mains off and unplugged before hands go in.',
    taps: [{ entry: 'HEAD_IN', label: 'Head is back in' }],
  },
};

export function useHeadStep(visit: Visit, mayWrite: boolean) {
  const write = useHeadEntry(visit);
  const step = TAPS[visit.next.action];
  return step && mayWrite ? { ...step, write, tapFirst: () => write.tap(step.taps[0].entry) } : undefined;
}

export type Step = NonNullable<ReturnType<typeof useHeadStep>>;

/** The one-tap steps about the head, large. What was not looked at is left untapped. */
export function HeadStep({
  step,
  buttonsFirst,
  rests,
}: {
  step: Step;
  buttonsFirst?: boolean;
  rests?: boolean;
}) {
  // Seen and unseen are for the eyes to say: Enter taps only where there is nothing to choose.
  const isChoice = step.taps.length > 1;
  const words = (
    <>
      <Typography>{step.says}</Typography>
      {step.danger && (
        <Alert severity="warning" icon={false} role="note">
          {step.danger}
        </Alert>
      )}
    </>
  );
  return (
    <Stack spacing={1.5}>
      {!buttonsFirst && words}
      {step.taps.map(({ entry, label }) => (
        <Button
          key={entry}
          variant={isChoice ? 'outlined' : 'contained'}
          size="large"
          loading={step.write.isBusy}
          onClick={() => step.write.tap(entry)}
          sx={{ minHeight: 64, fontSize: '1.25rem' }}
        >
          {label}
          {!isChoice && <KeyHint rests={rests}>Enter</KeyHint>}
        </Button>
      ))}
      {buttonsFirst && words}
      {isChoice && <Typography color="text.secondary">Not looked at yet: leave it as it is.</Typography>}
      <WriteProblem problem={step.write.problem} />
    </Stack>
  );
}
