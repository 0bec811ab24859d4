import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { RouterProvider } from '@tanstack/react-router'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import '../css/editor.css'
import { ApiProblem } from './api/client'
import { startTheme } from './app/theme'
import { makeRouter } from './app/router'
import { Hints } from './ui/Hint'

startTheme()

const queries = new QueryClient({
    defaultOptions: {
        queries: {
            // A refused request stays refused; only a lost connection is worth another try.
            retry: (failures, error) => failures < 2 && error instanceof ApiProblem && error.status === 0,
            staleTime: 15_000,
        },
    },
})
const router = makeRouter(queries)

declare module '@tanstack/react-router' {
    interface Register {
        router: typeof router
    }
}

const place = document.getElementById('editor')
if (place !== null) {
    createRoot(place).render(
        <StrictMode>
            <QueryClientProvider client={queries}>
                <RouterProvider router={router} />
                <Hints />
            </QueryClientProvider>
        </StrictMode>,
    )
}
