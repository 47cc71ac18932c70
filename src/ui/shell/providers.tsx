'use client'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { useState, type ReactNode } from 'react'
import { Toaster } from 'sonner'
import { useShell } from './shell-context'

/** What is asked again and again is asked through one client; what was done and leaves no trace on its sheet is said at its foot. */
export function Providers({ children }: { readonly children: ReactNode }) {
  const [client] = useState(() => new QueryClient({ defaultOptions: { queries: { retry: 1, staleTime: 5000 } } }))
  return <QueryClientProvider client={client}>{children}</QueryClientProvider>
}

export function Toasts() {
  const { theme } = useShell()
  return (
    <Toaster
      theme={theme === 'basalt' ? 'dark' : 'light'}
      position="bottom-left"
      toastOptions={{ unstyled: true, className: 'said' }}
    />
  )
}
