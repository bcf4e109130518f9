import { Alert, Box, Button, Stack, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { useSession } from '../account/session';
import { answer, api } from '../api/http';
import { useFamilies } from '../api/queries';
import type { Family, FamilyFile } from '../api/types';
import { Block, Page } from '../app/Page';
import { Failed, Loading } from '../app/states';
import { capital, count, word } from '../words/words';
import { FamilyEditor } from './FamilyEditor';
import { EMPTY_FAMILY } from './familyForm';

/** The families of the shop; a lead adds, copies and changes them. */
export default function FamiliesPage() {
  const { code } = useParams();
  const { isLead } = useSession();
  const [query] = useSearchParams();
  const from = query.get('from') ?? (code === 'new' ? undefined : code);
  const start = useQuery({
    queryKey: ['family', from],
    queryFn: () => answer(api.GET('/api/families/{code}', { params: { path: { code: from! } } })),
    enabled: code !== undefined && from !== undefined,
  });
  const [read, setRead] = useState<FamilyFile>();
  if (!code) {
    return <FamilyList isLead={isLead} take={setRead} />;
  }
  if (from && start.isPending) {
    return <Loading what="the family" />;
  }
  if (start.isError) {
    return <Failed error={start.error} again={() => void start.refetch()} />;
  }
  const isCopy = code === 'new';
  const family = start.data?.family;
  return (
    <FamilyEditor
      key={`${code}-${from ?? read?.code ?? ''}-${start.data?.version ?? ''}`}
      start={
        isCopy
          ? family
            ? { ...family, code: `${family.code}-2`.slice(0, 24), name: `${family.name}, changed` }
            : (read ?? EMPTY_FAMILY)
          : family!
      }
      whole={isCopy ? undefined : start.data}
      mayWrite={isLead}
    />
  );
}

function FamilyList({ isLead, take }: { isLead: boolean; take: (family: FamilyFile) => void }) {
  const families = useFamilies();
  const navigate = useNavigate();
  const file = useRef<HTMLInputElement>(null);
  const [trouble, setTrouble] = useState<string>();
  if (families.isPending) {
    return <Loading what="the families" />;
  }
  if (families.isError) {
    return <Failed error={families.error} again={() => void families.refetch()} />;
  }
  async function open(chosen: File | undefined) {
    if (!chosen) {
      return;
    }
    try {
      const family = JSON.parse(await chosen.text()) as FamilyFile;
      if (!family.channels || !family.construction) {
        throw new SyntaxError();
      }
      setTrouble(undefined);
      take({ ...EMPTY_FAMILY, ...family });
      void navigate('/families/new');
    } catch {
      setTrouble('This file holds no family. Choose a JSON file that was saved from a family.');
    }
  }
  return (
    <Page
      title="Families"
      aside={
        isLead && (
          <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
            <Button variant="contained" component={Link} to="/families/new">
              Add a family
            </Button>
            <Button variant="outlined" onClick={() => file.current?.click()}>
              From a file
            </Button>
            <input
              ref={file}
              type="file"
              accept="application/json,.json"
              hidden
              aria-label="Family file"
              onChange={(event) => {
                void open(event.target.files?.[0]);
                event.target.value = '';
              }}
            />
            <Button href="/api/schemas/family.schema.json" target="_blank">
              Schema of the file
            </Button>
          </Stack>
        )
      }
    >
      {trouble && (
        <Alert severity="error" role="alert" sx={{ mb: 2 }}>
          {trouble}
        </Alert>
      )}
      <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' } }}>
        {families.data.map((family) => (
          <OneFamily key={family.code} family={family} isLead={isLead} />
        ))}
      </Box>
    </Page>
  );
}

function OneFamily({ family, isLead }: { family: Family; isLead: boolean }) {
  return (
    <Block
      title={family.name}
      aside={
        <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
          <Button variant="outlined" component={Link} to={`/families/${family.code}`}>
            {isLead ? 'Change' : 'Look'}
          </Button>
          {isLead && (
            <Button variant="outlined" component={Link} to={`/families/new?from=${family.code}`}>
              Copy
            </Button>
          )}
          <Button href={`/api/families/${family.code}/file`} download aria-label={`File of ${family.name}`}>
            File
          </Button>
        </Stack>
      }
    >
      <Typography>{capital(word('construction', family.construction))}</Typography>
      <Stack direction="row" sx={{ gap: 0.5, flexWrap: 'wrap', my: 1 }}>
        {family.channels.map((c) => (
          <Box
            key={c.code}
            sx={{
              borderLeft: `10px solid ${c.ink}`,
              px: 1,
              bgcolor: 'background.default',
              borderRadius: 0.5,
            }}
          >
            {c.code} {c.colour}
          </Box>
        ))}
      </Stack>
      <Typography color="text.secondary">
        {count('NOZZLES', family.stairs * family.steps)} a channel in{' '}
        {count('DRIVE_GROUPS', family.driveGroups)}; {family.channels[0].port}
      </Typography>
    </Block>
  );
}
