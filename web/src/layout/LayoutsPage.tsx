import { Box, Button, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { useSession } from '../account/session';
import { useFamilies, useLayouts } from '../api/queries';
import type { CheckLayout, LayoutRow } from '../api/types';
import { newId } from '../api/newId';
import { Block, Page } from '../app/Page';
import { Failed, Loading } from '../app/states';
import { moment } from '../bench/time';
import { emptyLayout } from './layoutForm';
import { LayoutEditor } from './LayoutEditor';
import { LayoutSheet } from './LayoutSheet';

interface Open {
  id: string;
  version?: number;
  layout: CheckLayout;
}

/** Where each family's printed check has its dashes; a lead lays out those of other printers. */
export default function LayoutsPage() {
  const { person } = useSession();
  const families = useFamilies();
  const [code, setCode] = useState('');
  const [open, setOpen] = useState<Open>();
  const family = families.data?.find((f) => f.code === code) ?? families.data?.[0];
  const layouts = useLayouts(family?.code);
  const mayWrite = person.role === 'LEAD';

  if (families.isPending) {
    return <Loading what="the families" />;
  }
  if (families.isError) {
    return <Failed error={families.error} again={() => void families.refetch()} />;
  }
  return (
    <Page title="Check layouts">
      {open && family ? (
        <LayoutEditor
          key={open.id}
          family={family}
          id={open.id}
          version={open.version}
          start={open.layout}
          done={() => setOpen(undefined)}
        />
      ) : (
        <Stack spacing={2}>
          <Stack direction="row" sx={{ gap: 2, flexWrap: 'wrap', alignItems: 'center' }}>
            <TextField
              select
              label="Family"
              value={family?.code ?? ''}
              onChange={(event) => setCode(event.target.value)}
              sx={{ maxWidth: 360 }}
            >
              {families.data.map((f) => (
                <MenuItem key={f.code} value={f.code}>
                  {f.name}
                </MenuItem>
              ))}
            </TextField>
            {mayWrite && family && (
              <Button
                variant="contained"
                size="large"
                onClick={() => setOpen({ id: newId(), layout: emptyLayout(family) })}
              >
                Lay out another printer&rsquo;s check
              </Button>
            )}
          </Stack>
          {layouts.isError && <Failed error={layouts.error} again={() => void layouts.refetch()} />}
          <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' } }}>
            {layouts.data?.map((row) => (
              <OneLayout
                key={row.id}
                row={row}
                mayWrite={mayWrite}
                change={() => setOpen({ id: row.id, version: row.version, layout: row.layout })}
                copy={() =>
                  setOpen({ id: newId(), layout: { ...row.layout, name: `${row.layout.name}, changed` } })
                }
              />
            ))}
          </Box>
        </Stack>
      )}
    </Page>
  );
}

function OneLayout({
  row,
  mayWrite,
  change,
  copy,
}: {
  row: LayoutRow;
  mayWrite: boolean;
  change: () => void;
  copy: () => void;
}) {
  return (
    <Block
      title={row.layout.name}
      aside={
        <Stack direction="row" spacing={1}>
          {row.layout.marks && (
            <Button href={`/api/layouts/${row.id}/paper.pdf`} target="_blank" rel="noreferrer">
              Check paper, PDF
            </Button>
          )}
          {mayWrite &&
            (row.shipped ? (
              <Button variant="outlined" onClick={copy}>
                Make one like it
              </Button>
            ) : (
              <Button variant="outlined" onClick={change}>
                Change
              </Button>
            ))}
        </Stack>
      }
    >
      <Typography sx={{ mb: 1 }}>
        {row.layout.widthMm} × {row.layout.heightMm} mm,{' '}
        {row.layout.marks ? 'with registration marks' : 'without registration marks'};{' '}
        {row.shipped ? 'came with Undo Knot' : `by ${row.changedBy}, ${moment(row.changedAt)}`}
      </Typography>
      <Box sx={{ maxWidth: 420 }}>
        <LayoutSheet layout={row.layout} />
      </Box>
    </Block>
  );
}
