import { StrictMode, Suspense } from 'react';
import { createRoot } from 'react-dom/client';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { BrowserRouter, Navigate, Route, Routes } from 'react-router';
import './styles.css';
import { useLayout } from './model/layout';
import { Projects } from './frame/Projects';
import { BusyLine } from './frame/BusyLine';
import { tellCutTexts } from './frame/cutTexts';
import { Workbench } from './frame/rooms';
import { hearPrinting } from './model/printing';

function wear(theme: string) {
  document.documentElement.dataset.theme = theme;
}
wear(useLayout.getState().theme);
useLayout.subscribe((l) => wear(l.theme));

hearPrinting();
tellCutTexts();

const client = new QueryClient({
  defaultOptions: { queries: { retry: 1, refetchOnWindowFocus: false } },
});

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <BrowserRouter>
        <BusyLine />
        <Suspense fallback={<p className="p-8 text-muted">Opening …</p>}>
          <Routes>
            <Route path="/" element={<Projects />} />
            <Route path="/p/:project/:workspace" element={<Workbench />} />
            <Route path="*" element={<Navigate to="/" replace />} />
          </Routes>
        </Suspense>
      </BrowserRouter>
    </QueryClientProvider>
  </StrictMode>,
);
