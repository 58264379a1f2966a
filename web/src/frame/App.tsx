import { CssBaseline, ThemeProvider } from '@mui/material';
import { SnackbarProvider } from 'notistack';
import { useState } from 'react';
import { Provider } from 'react-redux';
import { createBrowserRouter, RouterProvider } from 'react-router';
import { useGetSessionQuery } from '../app/api';
import { NotFound } from './NotFound';
import { Shell } from './Shell';
import { createStore } from '../app/store';
import { useWorkshopTheme } from '../app/useSettings';
import { editorFeature } from '../features/editor';
import { SignIn } from '../features/session';
import { STAGES } from '../stages';

const createRouter = () =>
  createBrowserRouter([
    {
      element: <Shell />,
      HydrateFallback: () => null,
      children: [
        ...STAGES.map(({ route, page }) => ({
          path: route,
          lazy: async () => ({ Component: await page() }),
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
