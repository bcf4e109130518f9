import { Box, Typography } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import { Link } from 'react-router';
import type { BenchPlace, DayHead, DayWork, KeptDay } from '../api/types';
import { hour, moment } from '../bench/time';
import { terms, word } from '../words/words';
import { axisOf, isOn, lanesOf, placeOn, staysAt, type Axis } from './dayTime';
import { along, Hours, Lane, NAMED, STAYS } from './Lane';
import { BAR, WorkBar } from './WorkBar';

/** Step that somebody looks at. */
export interface Chosen {
  visitId: string;
  key: string;
}

interface Props {
  day: KeptDay;
  date: string;
  now: number;
  /** How many times as wide as the page. */
  wide: number;
  chosen: Chosen | null;
  mayPin: boolean;
  choose: (chosen: Chosen) => void;
  pin: (head: DayHead, work: DayWork, personId: string, at: number) => void;
}

const PERSON = BAR + 8;
const PLACE = 30;
const HEAD = 50;
/** Width of the picture at the least, px; wider ones are moved along. */
const WIDTH = 760;

/** A day along the hours: what each person does, what stands at each place, and how each head goes through it. */
export function DayPicture(props: Props) {
  const { day, date } = props;
  const axis = axisOf(day, date);
  return (
    <Box
      role="group"
      aria-label="Picture of the day"
      tabIndex={0}
      sx={{ overflowX: 'auto', bgcolor: 'background.paper', borderRadius: 1, py: 1.5, pr: 1.5 }}
    >
      <Box sx={{ position: 'relative', minWidth: WIDTH, width: `${100 * props.wide}%`, pt: 4 }}>
        <Hours axis={axis} now={props.now} />
        <People {...props} axis={axis} />
        <Places {...props} axis={axis} />
        <Heads {...props} axis={axis} />
      </Box>
    </Box>
  );
}

function Title({ children }: { children: string }) {
  return (
    <Typography variant="h3" component="h2" sx={{ ...STAYS, mt: 1.5, mb: 0.5, pl: 1.5, width: NAMED }}>
      {children}
    </Typography>
  );
}

function People({ day, axis, chosen, mayPin, choose, pin }: Props & { axis: Axis }) {
  const { vars } = useTheme();
  const away = `repeating-linear-gradient(135deg, transparent 0 9px, ${vars.palette.line} 9px 10px)`;
  return (
    <>
      <Title>Who does what</Title>
      <Box role="list" aria-label="People">
        {day.people.map((person, row) => (
          <Lane
            key={person.id}
            name={<Typography sx={{ fontWeight: 650 }}>{person.name}</Typography>}
            height={PERSON}
          >
            <Box sx={{ position: 'absolute', inset: 0, background: away }} />
            {person.hours
              .map((span) => ({ from: Date.parse(span.from), until: Date.parse(span.until) }))
              .filter((span) => isOn(axis, span.from, span.until))
              .map((span) => (
                <Box
                  key={span.from}
                  sx={{
                    ...along(axis, span.from, span.until),
                    top: 0,
                    bottom: 0,
                    bgcolor: 'background.default',
                  }}
                />
              ))}
            {day.heads.flatMap((head) =>
              head.work
                .filter((work) => work.personId === person.id)
                .map((work) => (
                  <WorkBar
                    key={`${head.visitId}/${work.key}/${work.from}`}
                    head={head}
                    work={work}
                    axis={axis}
                    people={day.people}
                    row={row}
                    rowHeight={PERSON}
                    isChosen={chosen?.visitId === head.visitId && chosen.key === work.key}
                    isOfChosen={chosen?.visitId === head.visitId}
                    mayPin={mayPin}
                    choose={() => choose({ visitId: head.visitId, key: work.key })}
                    pin={(personId, at) => pin(head, work, personId, at)}
                  />
                )),
            )}
          </Lane>
        ))}
      </Box>
    </>
  );
}

function Places({ day, axis, chosen }: Props & { axis: Axis }) {
  const { vars } = useTheme();
  const lanes = terms('benchPlace').flatMap((place) =>
    lanesOf(staysAt(day, place as BenchPlace), day.have[place as BenchPlace]).map((stays, i, all) => ({
      name: all.length === 1 ? word('benchPlace', place) : `${word('benchPlace', place)} ${i + 1}`,
      stays: stays.filter((stay) => isOn(axis, stay.from, stay.until)),
    })),
  );
  return (
    <>
      <Title>What stands where</Title>
      <Box role="list" aria-label="Places">
        {lanes.map((lane) => (
          <Lane key={lane.name} name={<Typography noWrap>{lane.name}</Typography>} height={PLACE}>
            <Box sx={{ position: 'absolute', inset: '2px 0', bgcolor: 'background.default' }} />
            {lane.stays.map((stay) => {
              const isChosen = chosen?.visitId === stay.head.visitId;
              const fill = isChosen ? vars.palette.due.main : vars.palette.primary.main;
              return (
                <Box
                  key={`${stay.head.visitId}/${stay.from}`}
                  title={`${stay.head.tag}, ${moment(new Date(stay.from).toISOString())} to ${moment(new Date(stay.until).toISOString())}`}
                  sx={{
                    ...along(axis, stay.from, stay.until),
                    top: 3,
                    bottom: 3,
                    minWidth: 4,
                    display: 'flex',
                  }}
                >
                  <Box
                    sx={{
                      width: `${(100 * (placeOn(axis, stay.waitsFrom) - placeOn(axis, stay.from))) / Math.max(1e-9, placeOn(axis, stay.until) - placeOn(axis, stay.from))}%`,
                      bgcolor: fill,
                    }}
                  />
                  <Box
                    sx={{
                      flex: 1,
                      border: '2px solid',
                      borderColor: fill,
                      containerType: 'inline-size',
                      '@container (max-width: 60px)': { '& span': { display: 'none' } },
                      display: stay.waitsFrom < stay.until ? 'block' : 'none',
                    }}
                  >
                    <Typography
                      component="span"
                      noWrap
                      sx={{ display: 'block', lineHeight: '20px', pl: 0.5 }}
                    >
                      {stay.head.tag}
                    </Typography>
                  </Box>
                </Box>
              );
            })}
          </Lane>
        ))}
      </Box>
    </>
  );
}

function Heads({ day, axis, chosen }: Props & { axis: Axis }) {
  return (
    <>
      <Title>Head by head</Title>
      <Box role="list" aria-label="Heads">
        {day.heads
          .filter((head) => Date.parse(head.ready) >= axis.from)
          .map((head) => (
            <HeadLane
              key={head.visitId}
              day={day}
              head={head}
              axis={axis}
              isChosen={chosen?.visitId === head.visitId}
            />
          ))}
      </Box>
    </>
  );
}

/** A head as a thread: knots where hands are on it, dotted where it waits, a bar where it is promised. */
function HeadLane({
  day,
  head,
  axis,
  isChosen,
}: {
  day: KeptDay;
  head: DayHead;
  axis: Axis;
  isChosen: boolean;
}) {
  const { vars } = useTheme();
  const start = Date.parse(day.start);
  const ready = Date.parse(head.ready);
  const due = head.due ? Date.parse(head.due) : null;
  const isLate = head.lateMinutes > 0;
  const again = ready + head.againMinutes * 60_000;
  const mayCome = head.againPercent > 0 && isOn(axis, ready, again);
  return (
    <Lane
      height={HEAD}
      name={
        <Typography
          component={Link}
          to={`/visits/${head.visitId}`}
          sx={{
            display: 'block',
            minHeight: 48,
            lineHeight: '24px',
            color: 'text.primary',
            textDecoration: 'none',
            '&:hover b': { textDecoration: 'underline' },
          }}
        >
          <b>{head.tag}</b>
          <Box
            component="span"
            sx={{ display: 'block', whiteSpace: 'nowrap', color: isLate ? 'error.main' : 'text.secondary' }}
          >
            {head.work.length === 0
              ? 'nothing left to do'
              : `${isLate ? 'late' : 'ready'} ${moment(head.ready)}`}
          </Box>
        </Typography>
      }
    >
      {isOn(axis, start, ready) && (
        <Box
          sx={{
            ...along(axis, start, ready),
            top: 13,
            borderTop: '3px dotted',
            borderColor: isChosen ? 'due.main' : 'thread',
          }}
        />
      )}
      {head.work
        .filter((work) => isOn(axis, Date.parse(work.from), Date.parse(work.until)))
        .map((work) => (
          <Box
            key={work.key}
            title={`${word('doing', work.doing)}, ${hour(work.from)} to ${hour(work.until)}`}
            sx={{
              ...along(axis, Date.parse(work.from), Date.parse(work.until)),
              top: 6,
              height: 18,
              minWidth: 6,
              borderRadius: 2,
              bgcolor: 'thread',
              boxShadow: `inset 0 0 0 2px ${isChosen ? vars.palette.text.primary : vars.palette.thread}`,
            }}
          />
        ))}
      {due !== null && due >= axis.from && due <= axis.until && (
        <Box
          title={`promised for ${moment(head.due!)}`}
          sx={{
            position: 'absolute',
            left: `calc(${placeOn(axis, due) * 100}% - 4px)`,
            top: 2,
            height: 26,
            borderLeft: '4px solid',
            borderColor: isLate ? 'error.main' : 'text.secondary',
          }}
        />
      )}
      {mayCome && (
        <>
          <Box
            sx={{
              ...along(axis, ready, again),
              top: 6,
              height: 18,
              minWidth: 6,
              borderRadius: 2,
              border: '2px dotted',
              borderColor: 'thread',
            }}
          />
          <Typography
            component="span"
            noWrap
            sx={{
              position: 'absolute',
              bottom: 0,
              lineHeight: '22px',
              color: 'text.secondary',
              left: `min(${placeOn(axis, ready) * 100}%, calc(100% - 190px))`,
            }}
          >
            {head.againPercent} % another round
          </Typography>
        </>
      )}
    </Lane>
  );
}
