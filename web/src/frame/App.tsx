import { CssBaseline, ThemeProvider } from '@mui/material';
import { SnackbarProvider } from 'notistack';
import { useState } from 'react';
import { Provider } from 'react-redux';
import { createBrowserRouter, RouterProvider, type Params } from 'react-router';
import { useGetSessionQuery } from '../app/api';
import { NotFound } from './NotFound';
import { Shell } from './Shell';
import { createStore } from '../app/store';
import { useWorkshopTheme } from '../app/useSettings';
import { fetchAhead } from '../app/rigAhead';
import { editorFeature, useOpenNow, type OpenRig } from '../features/editor';
import { SignIn } from '../features/session';
import { PAGES, STAGES } from '../stages';
import { startAnalysis } from '../workers/workers';

/** A rig, the page that shows it and what computes it are fetched side by side. */
function beginStage({ rigId }: Params, openNow: string | undefined): null {
  if (rigId && rigId !== openNow) {
    fetchAhead(rigId);
    startAnalysis();
  }
  return null;
}

const createRouter = (openNow: () => OpenRig | null) =>
  createBrowserRouter([
    {
      element: <Shell />,
      HydrateFallback: () => null,
      children: [
        ...STAGES.map(({ route }) => ({
          path: route,
          loader: ({ params }: { params: Params }) => beginStage(params, openNow()?.id),
          lazy: async () => ({ Component: await PAGES[route]() }),
        })),
        { path: '*', element: <NotFound /> },
      ],
    },
  ]);

export function App() {
  const [store] = useState(() => createStore([editorFeature]));
  return (
    <Provider store={store}>
      <Themed />
    </Provider>
  );
}

function Themed() {
  const theme = useWorkshopTheme();
  const openNow = useOpenNow();
  const [router] = useState(() => createRouter(openNow));
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
