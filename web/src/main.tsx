import './styles.css';

import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';

import { App } from './shell/App';

const root = document.getElementById('root');
if (!root) throw new Error('the page has no root element');
createRoot(root).render(
  <StrictMode>
    <App />
  </StrictMode>,
);
