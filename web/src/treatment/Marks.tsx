import { Box, Button, Stack, Typography } from '@mui/material';
import type { Mark, Method } from '../api/types';
import { KeyHint } from '../app/KeyHint';
import { capital, terms, word } from '../words/words';
import { seenField, type Stroke } from './roundsForm';

interface Option {
  value: string | number | boolean;
  label: string;
}

const DRAWN: readonly Method[] = ['DRAW_BACK', 'DAMPER'];

/** What can be seen of a mark, in a fixed order: the keys go by it. */
export function optionsOf(method: Method, mark: Mark): Option[] {
  const of = (table: 'resistance' | 'drawn' | 'effluent' | 'stream') =>
    terms(table).map((value) => ({ value: value as string, label: capital(word(table, value)) }));
  switch (mark) {
    case 'RESISTANCE':
      return of(DRAWN.includes(method) ? 'drawn' : 'resistance');
    case 'EFFLUENT':
      return of('effluent');
    case 'STREAM':
      return of('stream');
    case 'PAD_PRINT':
      return [0, 1, 2, 3, 4, 5].map((n) => ({ value: n, label: `${n}/5` }));
    default:
      return [
        { value: true, label: capital(word('markYes', mark)) },
        { value: false, label: capital(word('markNo', mark)) },
      ];
  }
}

interface Props {
  method: Method;
  marks: Mark[];
  stroke: Stroke;
  /** The one that the digit keys speak of. */
  asked: Mark | undefined;
  saw: (stroke: Stroke) => void;
}

/** What was seen of one stroke: one tap each, tapped again nobody saw it. Nothing is pressed beforehand. */
export function Marks({ method, marks, stroke, asked, saw }: Props) {
  return (
    <Stack direction="row" sx={{ columnGap: 2, rowGap: 1, flexWrap: 'wrap' }}>
      {marks.map((mark) => {
        const field = seenField(mark);
        return (
          <Box
            key={mark}
            role="group"
            aria-label={word('mark', mark)}
            sx={{ borderLeft: '4px solid', borderColor: asked === mark ? 'thread' : 'transparent', pl: 1 }}
          >
            <Typography sx={{ fontWeight: asked === mark ? 700 : 400 }}>{word('mark', mark)}</Typography>
            <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
              {optionsOf(method, mark).map((option, i) => {
                const isSeen = stroke[field] === option.value;
                return (
                  <Button
                    key={String(option.value)}
                    variant={isSeen ? 'contained' : 'outlined'}
                    aria-pressed={isSeen}
                    onClick={(event) => {
                      // A pedal that comes next must not press this again.
                      event.currentTarget.blur();
                      saw({ ...stroke, [field]: isSeen ? undefined : option.value });
                    }}
                    sx={{ minHeight: 52, minWidth: 56 }}
                  >
                    {option.label}
                    {asked === mark && <KeyHint>{String(i + 1)}</KeyHint>}
                  </Button>
                );
              })}
            </Stack>
          </Box>
        );
      })}
    </Stack>
  );
}

/** What was seen of a stroke, in a line. */
export function seenWords(method: Method, marks: Mark[], stroke: Stroke): string {
  const said = marks.flatMap((mark) => {
    const value = stroke[seenField(mark)];
    const option = optionsOf(method, mark).find((o) => o.value === value);
    return option
      ? [mark === 'PAD_PRINT' ? `${option.label} of the row on the pad` : option.label.toLowerCase()]
      : [];
  });
  return said.length > 0 ? said.join(', ') : 'not looked at';
}
