import { Collapse, Stack, Typography } from '@mui/material';
import { useState } from 'react';
import { Button } from '@mui/material';
import type { PushView } from '../api/types';
import { readNumber } from '../app/fields';
import { word } from '../words/words';

/** What of a stroke goes into the sum. */
interface Typed {
  volumeMl: string;
  syringe: string;
}

function short(value: number, digits = 1): string {
  return String(Number(value.toFixed(digits)));
}

/** The gentlest syringe, and the one in hand: the greatest force that stays within the limit. */
function forces(push: PushView, stroke: Typed): string {
  const biggest = push.greatestForces.at(-1)!;
  const own = push.greatestForces.find((f) => f.syringe === stroke.syringe);
  return [own, own?.syringe === biggest.syringe ? undefined : biggest]
    .filter((f) => f !== undefined)
    .map((f) => `${word('syringe', f.syringe)} syringe at most ${short(f.newton)} N`)
    .join(', ');
}

/** What a stroke may be at this port: slowest safe time and greatest force, with the sum to unfold. */
export function PushSum({ push, stroke }: { push: PushView; stroke: Typed }) {
  const [isOpen, setOpen] = useState(false);
  const ml = readNumber(stroke.volumeMl);
  const seconds = ml && ml > 0 ? ml * push.secondsPerMl : undefined;
  const nobodyKnows = push.open === 0;
  return (
    <Stack spacing={0.5}>
      <Typography>
        {seconds !== undefined && (
          <b>
            {short(ml!, 2)} mL in {short(seconds)} s or slower
          </b>
        )}
        {seconds !== undefined && '; '}
        {forces(push, stroke)}; limit {short(push.limitKpa)} kPa.
        {nobodyKnows &&
          ' No nozzle reads open: how fast is safe cannot be worked out, the force alone rules.'}
        <Button size="small" onClick={() => setOpen(!isOpen)} aria-expanded={isOpen}>
          {isOpen ? 'Hide the sum' : 'How that is worked out'}
        </Button>
      </Typography>
      <Collapse in={isOpen} unmountOnExit>
        <Typography>
          Through {push.open === undefined || nobodyKnows ? push.nozzles : push.open} of {push.nozzles}{' '}
          nozzles
          {push.open === undefined && ' (no map yet, so all of them)'}, bore {short(push.boreUm)} µm, plate{' '}
          {short(push.plateUm)} µm, water at {short(push.temperatureC)} °C: {short(push.viscosityMpaS, 3)}{' '}
          mPa·s.
        </Typography>
        <Typography>
          ΔP = 128·μ·Q·(L + 3πd/16) / (N·π·d⁴) + {push.jetLoss}·½·ρ·(4Q/(N·π·d²))². The second part, the jets,
          rules. With every nozzle open 1 mL takes {short(push.floorSecondsPerMl)} s at least.
        </Typography>
        <Typography>
          P = F / (π·D²/4):{' '}
          {push.greatestForces.map((f) => `${word('syringe', f.syringe)} ${short(f.newton)} N`).join(', ')}.
          No thumb is a gauge: a reservoir raised by {short(push.reservoirM, 2)} m gives the limit and no
          more.
        </Typography>
      </Collapse>
    </Stack>
  );
}
