import { defineConfig } from 'vitest/config'

process.env.TZ = 'UTC'

/** What the editor works out without a screen; the screens themselves are tested in a real browser, in tests/Browser. */
export default defineConfig({ test: { include: ['tests/Editor/**/*.test.ts'], environment: 'node' } })
