import { Box, Button, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { FileText, ListChecks } from 'lucide-react';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { useVisit } from '../api/queries';
import { Page } from '../app/Page';
import { Failed, Loading } from '../app/states';
import { MONO } from '../app/theme';
import { day } from '../bench/time';
import { terms, word } from '../words/words';

/** The label printer of this bench takes one size. */
const SIZE = 'undoknot-label-size';

/** The tag of a head, large, with its QR code and the label to print. */
export default function TagPage() {
  const { id = '' } = useParams();
  const visit = useVisit(id);
  const [size, setSize] = useState(() => localStorage.getItem(SIZE) ?? terms('labelSize')[0]);
  if (visit.isPending) {
    return <Loading what="the tag" />;
  }
  if (visit.isError) {
    return <Failed error={visit.error} again={() => void visit.refetch()} />;
  }
  const { tag, intake, family } = visit.data;
  const choose = (chosen: string) => {
    localStorage.setItem(SIZE, chosen);
    setSize(chosen);
  };
  return (
    <Page title={`Tag ${tag}`} back={{ to: '/', label: 'Bench' }}>
      <Stack
        direction={{ xs: 'column', sm: 'row' }}
        spacing={3}
        sx={{ bgcolor: 'background.paper', p: 3, borderRadius: 1, maxWidth: 720, alignItems: 'center' }}
      >
        <Box
          component="img"
          src={`/api/visits/${id}/tag.svg`}
          alt={`QR code of tag ${tag}`}
          sx={{ width: 220, height: 220, borderRadius: 1 }}
        />
        <Box>
          <Typography
            sx={{
              fontFamily: MONO,
              fontWeight: 600,
              fontSize: '3.25rem',
              lineHeight: 1.1,
              letterSpacing: '0.06em',
            }}
          >
            {tag}
          </Typography>
          <Typography>{intake.customerName}</Typography>
          <Typography>
            {family.name}, {intake.serial}
          </Typography>
          <Typography>Promised for {day(intake.promisedOn)}</Typography>
          <Typography color="text.secondary" sx={{ mt: 1 }}>
            Tie it to the head. A scanner reads the code as the tag, on any view.
          </Typography>
        </Box>
      </Stack>
      <Stack direction="row" sx={{ gap: 1.5, mt: 2, flexWrap: 'wrap' }}>
        <Button
          variant="contained"
          size="large"
          component={Link}
          to={`/visits/${id}/check`}
          startIcon={<ListChecks />}
        >
          Read the first nozzle check
        </Button>
        <TextField
          select
          label="Size of the label"
          value={size}
          onChange={(event) => choose(event.target.value)}
          sx={{ width: 180 }}
        >
          {terms('labelSize').map((value) => (
            <MenuItem key={value} value={value} sx={{ minHeight: 48 }}>
              {word('labelSize', value)}
            </MenuItem>
          ))}
        </TextField>
        <Button
          variant="outlined"
          size="large"
          href={`/api/visits/${id}/label.pdf?size=${size}`}
          target="_blank"
          startIcon={<FileText />}
        >
          Label as PDF
        </Button>
        <Button size="large" component={Link} to={`/visits/${id}`}>
          To the visit
        </Button>
      </Stack>
    </Page>
  );
}
