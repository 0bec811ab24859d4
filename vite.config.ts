import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { copyFileSync, existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { brotliCompressSync, gzipSync } from 'node:zlib'
import { defineConfig, type Plugin } from 'vite'

/** The public site's few files are plain: copied as they are, beside the font they use. */
function publicSite(): Plugin {
    const files = {
        'site.css': 'resources/css/site.css',
        'room.css': 'resources/css/room.css',
        'guide.css': 'resources/css/guide.css',
        'atkinson.woff2':
            'node_modules/@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2',
        'enlarge.js': 'resources/site/enlarge.js',
        'film.js': 'resources/site/film.js',
        'near.js': 'resources/site/near.js',
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

/** Texts are compressed once, here, rather than whenever somebody asks for them. */
function compressed(): Plugin {
    return {
        name: 'compressed',
        enforce: 'post',
        closeBundle() {
            // Of a build that failed there is nothing to compress, and what it says of itself is to be read.
            if (!existsSync('public/_editor/assets')) return
            for (const folder of ['public/_site', 'public/_editor', 'public/_editor/assets'])
                for (const name of readdirSync(folder).filter(each => /\.(?:css|js|svg|json)$/.test(each))) {
                    const text = readFileSync(`${folder}/${name}`)
                    writeFileSync(`${folder}/${name}.gz`, gzipSync(text, { level: 9 }))
                    writeFileSync(`${folder}/${name}.br`, brotliCompressSync(text))
                }
        },
    }
}

/** Scripts that somebody waits for who opens the outline, in bytes as they are sent. */
const MAX_FIRST_LOAD = 160_000

/** Fails the build when opening the outline takes more than that. */
function firstLoad(): Plugin {
    return {
        name: 'first-load',
        generateBundle(_, bundle) {
            const files = new Set<string>()
            const add = (file: string) => {
                const chunk = bundle[file]
                if (files.has(file) || chunk?.type !== 'chunk') return
                files.add(file)
                chunk.imports.forEach(add)
            }
            for (const chunk of Object.values(bundle))
                if (
                    chunk.type === 'chunk' &&
                    (chunk.isEntry || chunk.facadeModuleId?.endsWith('/OutlinePage.tsx') === true)
                )
                    add(chunk.fileName)
            const sizes = [...files].map((file): [string, number] => {
                const chunk = bundle[file]
                return [file, chunk?.type === 'chunk' ? gzipSync(chunk.code).length : 0]
            })
            const total = sizes.reduce((sum, [, size]) => sum + size, 0)
            const said = `Opening the outline takes ${Math.round(total / 1000)} KB compressed, of at most ${MAX_FIRST_LOAD / 1000}.`
            if (total > MAX_FIRST_LOAD)
                this.error(`${said} ${sizes.map(([file, size]) => `${file} ${size}`).join(', ')}`)
            this.info(said)
        },
    }
}

export default defineConfig({
    base: '/_editor/',
    plugins: [react(), tailwindcss(), publicSite(), firstLoad(), compressed()],
    publicDir: false,
    build: {
        outDir: 'public/_editor',
        emptyOutDir: true,
        manifest: 'manifest.json',
        modulePreload: { polyfill: false },
        rollupOptions: {
            input: 'resources/js/main.tsx',
            output: {
                advancedChunks: {
                    groups: [
                        {
                            name: 'base',
                            test: /node_modules\/(react|react-dom|scheduler|@tanstack\/(react-query|query-core|react-router|router-core|history|store|react-store))\//,
                        },
                    ],
                },
            },
        },
    },
})
