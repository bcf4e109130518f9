import { FilledInput, FormControl, FormHelperText, InputAdornment, InputLabel } from '@mui/material';
import { ScanLine } from 'lucide-react';
import { useEffect, useRef, useState, type FormEvent } from 'react';
import { useNavigate } from 'react-router';
import { answer, api, Problem } from '../api/http';
import { SCAN_GAP_MS } from './scan';

async function visitOfTag(code: string): Promise<string | undefined> {
  try {
    return (await answer(api.GET('/api/tags/{code}', { params: { path: { code } } }))).visitId;
  } catch (problem) {
    if (problem instanceof Problem && problem.status === 404) {
      return undefined;
    }
    throw problem;
  }
}

/**
 * The field for a tag, serial or customer. A scanner that types like a keyboard works here and anywhere else in the
 * product, as long as nobody is typing in another field.
 */
export function TagField() {
  const [text, setText] = useState('');
  const [trouble, setTrouble] = useState('');
  const navigate = useNavigate();
  const input = useRef<HTMLInputElement>(null);

  async function go(typed: string) {
    // The single keys of the view that comes work again.
    input.current?.blur();
    // The code on a label is an address, for phones; a scanner types all of it.
    const words = /\/t\/([0-9a-z]{4,})\/?$/i.exec(typed.trim())?.[1] ?? typed.trim();
    if (words === '') {
      void navigate('/');
      return;
    }
    try {
      const visit = await visitOfTag(words);
      setTrouble('');
      setText('');
      void navigate(visit ? `/visits/${visit}` : `/?search=${encodeURIComponent(words)}`);
    } catch (problem) {
      setTrouble((problem as Error).message);
    }
  }

  const latest = useRef(go);
  useEffect(() => {
    latest.current = go;
  });

  useEffect(() => {
    let scanned = '';
    let last = 0;
    const press = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (event.key === '/' && !target.matches('input, textarea')) {
        event.preventDefault();
        input.current?.focus();
        return;
      }
      if (target.matches('input, textarea')) {
        return;
      }
      scanned = event.timeStamp - last > SCAN_GAP_MS ? '' : scanned;
      last = event.timeStamp;
      if (event.key === 'Enter' && scanned.length >= 5) {
        event.preventDefault();
        event.stopPropagation();
        void latest.current(scanned);
        scanned = '';
      } else if (event.key.length === 1) {
        scanned += event.key;
      }
    };
    window.addEventListener('keydown', press, true);
    return () => window.removeEventListener('keydown', press, true);
  }, []);

  return (
    // Put together by hand: a whole text field would bring lists and menus along, which the first page does without.
    <FormControl
      component="form"
      role="search"
      onSubmit={(event: FormEvent) => {
        event.preventDefault();
        void go(text);
      }}
      size="small"
      variant="filled"
      error={trouble !== ''}
      sx={{
        flex: { xs: '1 1 100%', md: '0 1 165px', lg: '0 1 230px', xl: '0 1 300px' },
        order: { xs: 3, md: 0 },
        minWidth: 150,
      }}
    >
      <InputLabel htmlFor="tag-field" sx={{ maxWidth: 'calc(100% - 52px)' }}>
        Tag, serial or customer
      </InputLabel>
      <FilledInput
        id="tag-field"
        value={text}
        onChange={(event) => setText(event.target.value)}
        inputRef={input}
        autoComplete="off"
        aria-describedby={trouble ? 'tag-field-trouble' : undefined}
        endAdornment={
          <InputAdornment position="end">
            <ScanLine aria-hidden />
          </InputAdornment>
        }
      />
      {trouble && <FormHelperText id="tag-field-trouble">{trouble}</FormHelperText>}
    </FormControl>
  );
}
