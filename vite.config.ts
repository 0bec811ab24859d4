import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { copyFileSync, mkdirSync } from 'node:fs'
import { defineConfig, type Plugin } from 'vite'

/** The public site's few files are plain: copied as they are, beside the font they use. */
function publicSite(): Plugin {
    const files = {
        'site.css': 'resources/css/site.css',
        'mark.svg': 'resources/css/mark.svg',
        'literata.woff2': 'node_modules/@fontsource-variable/literata/files/literata-latin-wght-normal.woff2',
    }
    return {
        name: 'public-site',
        closeBundle() {
            mkdirSync('public/_site', { recursive: true })
            for (const [name, from] of Object.entries(files)) copyFileSync(from, `public/_site/${name}`)
        },
    }
}

export default defineConfig({
    base: '/_editor/',
    plugins: [react(), tailwindcss(), publicSite()],
    publicDir: false,
    build: {
        outDir: 'public/_editor',
        emptyOutDir: true,
        manifest: 'manifest.json',
        rollupOptions: { input: 'resources/js/main.tsx' },
    },
})
