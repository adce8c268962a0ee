import './styles.css'
import { QueryClientProvider } from '@tanstack/react-query'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { BrowserRouter } from 'react-router'
import { Toaster } from 'sonner'
import { App } from './App.tsx'
import { queryClient } from './api/queries.ts'
import { SEAT } from './seat.ts'
import { ErrorBoundary } from './ui/ErrorBoundary.tsx'

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={queryClient}>
      <BrowserRouter basename={SEAT}>
        <ErrorBoundary>
          <App />
        </ErrorBoundary>
      </BrowserRouter>
      <Toaster
        position="bottom-center"
        offset={88}
        duration={7000}
        toastOptions={{
          style: {
            background: 'var(--color-ink)',
            color: 'var(--color-sheet)',
            border: 'none',
            fontFamily: 'var(--font-sans)',
            fontSize: '0.9375rem',
          },
        }}
      />
    </QueryClientProvider>
  </StrictMode>,
)
