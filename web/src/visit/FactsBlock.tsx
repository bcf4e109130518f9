import { Box, Button, Typography } from '@mui/material';
import { Link } from 'react-router';
import { useMoney } from '../account/money';
import type { Visit } from '../api/types';
import { Block } from '../app/Page';
import { day } from '../bench/time';
import { count, word } from '../words/words';

/** A symptom with the channels that show it and its place on the sheet. */
function symptomWords(symptom: string, intake: Visit['intake']): string {
  const at = intake.symptomAt?.find((a) => a.symptom === symptom);
  const where = [at?.channels.join(' '), at?.place && word('sheetPlace', at.place)]
    .filter(Boolean)
    .join(', ');
  return word('symptom', symptom) + (where ? ` (${where})` : '');
}

/** What was told at take-in, only what is known; and the earlier visits of the head. */
export function FactsBlock({ visit, mayWrite }: { visit: Visit; mayWrite: boolean }) {
  const { currency } = useMoney();
  const i = visit.intake;
  const told = (value: string | null | undefined) => (value ? word('told', value) : undefined);
  const unit = (value: number | null | undefined, of: string) =>
    value === undefined || value === null ? undefined : `${value} ${of}`;
  const counted = (noun: Parameters<typeof count>[0], n: number | null | undefined) =>
    n === undefined || n === null ? undefined : count(noun, n);
  const facts: [string, string | undefined | null][] = [
    ['Contact', i.contact],
    ['Came in for', word('purpose', i.purpose ?? 'REPAIR')],
    ['Symptoms', (i.symptoms ?? []).map((s) => symptomWords(s, i)).join(', ')],
    ['Printing when it failed', i.printingWhenFailed],
    ['Error shown', i.errorShown],
    ['Printer', i.printer],
    ['A whole new printer costs', unit(i.printerPrice, currency)],
    [
      'Ports',
      i.ports
        .map(
          (p) =>
            `${p.channel} ${p.inkInLine}, ${word('chemistry', p.chemistry)}${p.makersOwn ? '' : ', third-party'}`,
        )
        .join('; '),
    ],
    ['Age of the ink', counted('MONTHS', i.inkAgeMonths)],
    ['Last shaken', i.lastShakenOn ? day(i.lastShakenOn) : i.lastShaken],
    ['Idle', counted('DAYS', i.idleDays)],
    ['Climate', i.climate ? word('climate', i.climate) : undefined],
    ['On mains power meanwhile', told(i.mainsPower)],
    ['Printer cycles already', counted('CYCLES', i.cyclesBefore)],
    ['Already poured in', i.pouredIn],
    ['Cartridge levels', i.cartridges],
    ['Refills', unit(i.refills, '')],
    ['Cartridges left out', told(i.leftOut)],
    ['Setup cartridges still in', told(i.setupCartridges)],
    ['Age of the dampers', counted('MONTHS', i.damperAgeMonths)],
    ['Dampers cleaned', counted('TIMES', i.dampersCleaned)],
    ['Printed with an empty channel', told(i.printedEmpty)],
    ['Ever carried non-food ink', told(i.everNonFood)],
    ['Must be good for', word('jobClass', visit.jobClass)],
    ['Price limit', unit(i.priceLimit, currency)],
    ['Came with it', i.accessories],
    ['Screws and clips', unit(i.screwsAndClips, '')],
  ];
  return (
    <Block
      title="What was told at take-in"
      aside={
        mayWrite && (
          <Button variant="outlined" component={Link} to={`/visits/${visit.id}/facts`}>
            Change the facts
          </Button>
        )
      }
    >
      {visit.earlierVisits.length > 0 && (
        <Typography sx={{ mb: 1.5, fontWeight: 650 }}>
          Here before:{' '}
          {visit.earlierVisits.map((earlier) => (
            <Box component="span" key={earlier.id} sx={{ mr: 1.5 }}>
              <Link to={`/visits/${earlier.id}`} style={{ color: 'inherit' }}>
                {earlier.tag}
              </Link>
              , {day(earlier.openedAt)}, {earlier.outcome ? word('outcome', earlier.outcome) : 'open'}
            </Box>
          ))}
        </Typography>
      )}
      <Box
        component="dl"
        sx={{
          m: 0,
          display: 'grid',
          gridTemplateColumns: { xs: '1fr', sm: '220px 1fr' },
          rowGap: 0.5,
          columnGap: 2,
        }}
      >
        {facts
          .filter(([, value]) => value)
          .map(([name, value]) => (
            <Box key={name} sx={{ display: 'contents' }}>
              <Typography component="dt" color="text.secondary">
                {name}
              </Typography>
              <Typography component="dd" sx={{ m: 0 }}>
                {value}
              </Typography>
            </Box>
          ))}
      </Box>
    </Block>
  );
}
