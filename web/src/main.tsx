import './styles.css'
import { QueryClientProvider } from '@tanstack/react-query'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { BrowserRouter } from 'react-router'
import { App } from './App.tsx'
import { queryClient } from './api/queries.ts'
import { SEAT } from './seat.ts'
import { ErrorBoundary } from './ui/ErrorBoundary.tsx'
import { NoticePlace } from './ui/NoticePlace.tsx'

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={queryClient}>
      <BrowserRouter basename={SEAT}>
        <ErrorBoundary>
          <App />
        </ErrorBoundary>
      </BrowserRouter>
      <NoticePlace />
    </QueryClientProvider>
  </StrictMode>,
)
