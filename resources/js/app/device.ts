const browsers: [RegExp, string][] = [
    [/Edg\//, 'Edge'],
    [/OPR\//, 'Opera'],
    [/Firefox\//, 'Firefox'],
    [/HeadlessChrome|Chromium\//, 'Chromium'],
    [/Chrome\//, 'Chrome'],
    [/Safari\//, 'Safari'],
]
const systems: [RegExp, string][] = [
    [/iPhone|iPad/, 'iOS'],
    [/Android/, 'Android'],
    [/Windows/, 'Windows'],
    [/Mac OS X/, 'macOS'],
    [/Linux/, 'Linux'],
]

/** What a device calls itself, in two words where they can be told. */
export function deviceWords(agent: string) {
    const browser = browsers.find(([pattern]) => pattern.test(agent))?.[1]
    const system = systems.find(([pattern]) => pattern.test(agent))?.[1]
    return browser === undefined
        ? agent.slice(0, 40) || 'unknown'
        : `${browser}${system === undefined ? '' : ` on ${system}`}`
}
