import { CssBaseline, ThemeProvider } from '@mui/material';
import { SnackbarProvider } from 'notistack';
import { useState } from 'react';
import { Provider } from 'react-redux';
import { createBrowserRouter, RouterProvider } from 'react-router';
import { useGetSessionQuery } from './api';
import { NotFound } from './NotFound';
import { Shell } from './Shell';
import { createStore } from './store';
import { THEMES } from './theme';
import { useThemeMode } from './useSettings';
import { RigsPage } from '../features/rigs';
import { SettingsPage } from '../features/settings';
import { SignIn } from '../features/session';

const createRouter = () =>
  createBrowserRouter([
    {
      element: <Shell />,
      HydrateFallback: () => null,
      children: [
        { path: '/', element: <RigsPage /> },
        {
          path: '/rigs/:rigId/path',
          lazy: async () => ({ Component: (await import('../features/path')).PathPage }),
        },
        {
          path: '/rigs/:rigId/brief',
          lazy: async () => ({ Component: (await import('../features/brief')).BriefPage }),
        },
        {
          path: '/rigs/:rigId/plans',
          lazy: async () => ({ Component: (await import('../features/plans')).PlansPage }),
        },
        {
          path: '/gear',
          lazy: async () => ({ Component: (await import('../features/gear')).GearPage }),
        },
        {
          path: '/di',
          lazy: async () => ({ Component: (await import('../features/checks')).DiPage }),
        },
        {
          path: '/speaker',
          lazy: async () => ({ Component: (await import('../features/checks')).SpeakerPage }),
        },
        { path: '/settings', element: <SettingsPage /> },
        { path: '*', element: <NotFound /> },
      ],
    },
  ]);

export function App() {
  const [store] = useState(createStore);
  return (
    <Provider store={store}>
      <Themed />
    </Provider>
  );
}

function Themed() {
  const mode = useThemeMode();
  const [router] = useState(createRouter);
  const { data } = useGetSessionQuery();
  return (
    <ThemeProvider theme={THEMES[mode]}>
      <CssBaseline enableColorScheme />
      <SnackbarProvider maxSnack={3} anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}>
        {data?.signInNeeded ? <SignIn /> : <RouterProvider router={router} />}
      </SnackbarProvider>
    </ThemeProvider>
  );
}
