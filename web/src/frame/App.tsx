import { CssBaseline, ThemeProvider } from '@mui/material';
import { SnackbarProvider } from 'notistack';
import { useState } from 'react';
import { Provider } from 'react-redux';
import { createBrowserRouter, RouterProvider, type Params } from 'react-router';
import { useGetSessionQuery } from '../app/api';
import { NotFound } from './NotFound';
import { Shell } from './Shell';
import { followChanges } from '../app/changes/followChanges';
import { followOutbox } from '../app/outbox/followOutbox';
import { createStore, type AppStore } from '../app/store';
import { useWorkshopTheme } from '../app/useSettings';
import { openRigNow } from '../app/openRig';
import { fetchAhead } from '../app/rigAhead';
import { SignIn } from '../features/session';
import { PAGES, STAGES } from '../stages';
import { startAnalysis } from '../workers/workers';

/** A rig, the page that shows it and what computes it are fetched side by side. */
function beginStage({ rigId }: Params): null {
  if (rigId && rigId !== openRigNow()) {
    fetchAhead(rigId);
    startAnalysis();
  }
  return null;
}

const createRouter = () =>
  createBrowserRouter([
    {
      element: <Shell />,
      HydrateFallback: () => null,
      children: [
        ...STAGES.map(({ route }) => ({
          path: route,
          loader: ({ params }: { params: Params }) => beginStage(params),
          lazy: async () => ({ Component: await PAGES[route]() }),
        })),
        { path: '*', element: <NotFound /> },
      ],
    },
  ]);

/** The store, in step with what this window writes and what others change. */
function beginStore(): AppStore {
  const store = createStore();
  followOutbox(store);
  followChanges(store);
  return store;
}

export function App() {
  const [store] = useState(beginStore);
  return (
    <Provider store={store}>
      <Themed />
    </Provider>
  );
}

function Themed() {
  const theme = useWorkshopTheme();
  const [router] = useState(createRouter);
  const { data } = useGetSessionQuery();
  return (
    <ThemeProvider theme={theme}>
      <CssBaseline enableColorScheme />
      <SnackbarProvider maxSnack={3} anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}>
        {data?.signInNeeded ? <SignIn /> : <RouterProvider router={router} />}
      </SnackbarProvider>
    </ThemeProvider>
  );
}
