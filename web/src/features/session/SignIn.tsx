import { Alert, Box, Button, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { messageOf, useSignInMutation } from '../../app/api';

/** Asked for where the server can be reached from other machines. */
export function SignIn() {
  const [passphrase, setPassphrase] = useState('');
  const [signIn, { isLoading, error }] = useSignInMutation();
  return (
    <Box
      component="form"
      onSubmit={(event) => {
        event.preventDefault();
        void signIn(passphrase);
      }}
      sx={{ maxWidth: 380, mx: 'auto', mt: 16, display: 'flex', flexDirection: 'column', gap: 2 }}
    >
      <Typography variant="h1">Gullwind</Typography>
      <Typography>This workshop asks for its passphrase.</Typography>
      <TextField
        label="Passphrase"
        type="password"
        autoComplete="current-password"
        autoFocus
        value={passphrase}
        onChange={(event) => setPassphrase(event.target.value)}
      />
      {error && <Alert severity="error">{messageOf(error)}</Alert>}
      <Button type="submit" variant="contained" disabled={isLoading || passphrase === ''}>
        Sign in
      </Button>
    </Box>
  );
}
