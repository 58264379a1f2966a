import '@fontsource/source-sans-3/400.css';
import '@fontsource/source-sans-3/500.css';
import '@fontsource/source-sans-3/600.css';
import '@fontsource/source-serif-4/400-italic.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { keepForOffline } from './app/offline';
import { App } from './frame/App';

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <App />
  </StrictMode>,
);

keepForOffline();
