import { Typography } from '@mui/material';
import { Block, Page } from '../app/Page';
import { UnitsChoice } from '../flow/UnitsChoice';
import { word } from '../words/words';
import { NewPassword } from './NewPassword';
import { PinBlock } from './PinBlock';
import { useSession } from './session';

/** What a person sets for themselves: units and password. */
export default function MePage() {
  const { person } = useSession();
  return (
    <Page title={person.displayName}>
      <Typography sx={{ mb: 2 }}>
        Signs in as {person.name}, {word('role', person.role)}.
      </Typography>
      <Block title="Units">
        <UnitsChoice />
      </Block>
      <Block title="PIN for a shared tablet">
        <PinBlock />
      </Block>
      <Block title="Password">
        <NewPassword />
      </Block>
    </Page>
  );
}
