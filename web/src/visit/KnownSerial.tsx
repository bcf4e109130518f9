import { Alert, Button, Stack, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import { Link } from 'react-router';
import { answer, api } from '../api/http';
import type { Family } from '../api/types';
import { day } from '../bench/time';
import { word } from '../words/words';
import { fromLast, usualPorts, type IntakeForm } from './intakeForm';

const ASK_AFTER_MS = 300;

/**
 * A serial or an old tag seen before: its head is offered, with the visits it had, and brings what is known of it.
 *
 * @param scanned what a scanner ended with Enter: its head is taken at once
 */
export function KnownSerial({ families, scanned }: { families: Family[]; scanned: string }) {
  const { control, setValue } = useFormContext<IntakeForm>();
  const serial = useWatch({ control, name: 'serial' });
  const headId = useWatch({ control, name: 'headId' });
  const [asked, setAsked] = useState('');
  useEffect(() => {
    const timer = window.setTimeout(() => setAsked(serial.trim()), ASK_AFTER_MS);
    return () => window.clearTimeout(timer);
  }, [serial]);
  const found = useQuery({
    queryKey: ['heads', asked],
    queryFn: () => answer(api.GET('/api/heads', { params: { query: { serial: asked } } })),
    enabled: asked.length >= 3,
  });
  const head = asked === serial.trim() ? found.data?.[0] : undefined;
  const family = families.find((f) => f.code === head?.familyCode);
  const isTaken = headId === head?.id;
  const take = () => {
    if (!head) {
      return;
    }
    setValue('headId', head.id);
    setValue('familyCode', head.familyCode, { shouldValidate: true });
    setValue('ports', family ? usualPorts(family) : []);
    if (head.last) {
      Object.entries(fromLast(head.last)).forEach(([name, value]) =>
        setValue(name as keyof IntakeForm, value as never, { shouldDirty: true }),
      );
    }
    setValue('serial', head.serial);
    setAsked(head.serial);
    if (head.everNonFood) {
      setValue('everNonFood', 'YES');
    }
  };
  const isScanned = scanned !== '' && scanned === asked && head !== undefined && !isTaken;
  useEffect(() => {
    if (isScanned) {
      take();
    }
    // Once for each scan; what it fills in is not asked about again.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [isScanned]);
  if (!head) {
    return null;
  }
  return (
    <Alert
      severity="info"
      action={
        !isTaken && (
          <Button variant="contained" onClick={take}>
            Take this head
          </Button>
        )
      }
    >
      <Typography sx={{ fontWeight: 700 }}>
        {isTaken ? 'Taken: ' : 'This serial was here before: '}
        {family?.name ?? head.familyCode} {head.serial}
      </Typography>
      <Stack component="ul" sx={{ m: 0, pl: 2.5 }}>
        {head.visits.map((visit) => (
          <li key={visit.id}>
            <Link to={`/visits/${visit.id}`} target="_blank" style={{ color: 'inherit' }}>
              {visit.tag}
            </Link>
            , taken in {day(visit.openedAt)},{' '}
            {visit.outcome ? word('outcome', visit.outcome) : 'still in the shop'}
          </li>
        ))}
      </Stack>
    </Alert>
  );
}
