'use client'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { useState, type ReactNode } from 'react'
import { Toaster } from 'sonner'
import { useShell } from './shell-context'

/** What is asked as somebody types is asked through one client. Nothing of it is kept: stock may have changed meanwhile. */
export function Providers({ children }: { readonly children: ReactNode }) {
  const [client] = useState(() => new QueryClient({ defaultOptions: { queries: { retry: 1, staleTime: 0, gcTime: 0 } } }))
  return <QueryClientProvider client={client}>{children}</QueryClientProvider>
}

/** What was done and leaves no trace on its sheet is said at the foot of the screen for a moment. */
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
