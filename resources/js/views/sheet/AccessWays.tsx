import type { Schemas } from '../../api/client'
import { Choice } from '../../ui/Choice'
import { inputClasses } from '../../ui/Field'
import { Muted } from '../../ui/Muted'

/** The ways in as they are typed: what is not ticked is kept, in case it is ticked again. */
export type Ways = {
    signedIn: boolean
    byRole: boolean
    roles: string
    password: boolean
    typed: string
    hasPassword: boolean
    network: boolean
    networks: string
    all: boolean
}

export function waysOf(said: Schemas['SaidAccess'] | null): Ways {
    const roles = said?.roles ?? []
    const networks = said?.networks ?? []
    return {
        signedIn: said === null || said.to !== 'some' || said.signedIn || roles.length > 0,
        byRole: roles.length > 0,
        roles: roles.join(', '),
        password: said?.hasPassword ?? false,
        typed: '',
        hasPassword: said?.hasPassword ?? false,
        network: networks.length > 0,
        networks: networks.join('\n'),
        all: said?.all ?? false,
    }
}

type Props = { ways: Ways; onChange: (ways: Ways) => void; errorOf: (...fields: string[]) => string | undefined }

/** Who is let in: signed in, by role, by password, from a network, and whether one of these is enough. */
export function AccessWays({ ways, onChange, errorOf }: Props) {
    const set = (fields: Partial<Ways>) => onChange({ ...ways, ...fields })
    const several = [ways.signedIn, ways.password, ways.network].filter(Boolean).length > 1
    return (
        <fieldset className="grid gap-3 rounded border border-line bg-sunk px-3 py-3">
            <legend className="sr-only">Who is let in</legend>
            <Way label="Signed-in visitors" on={ways.signedIn} onTurn={signedIn => set({ signedIn })}>
                <Choice type="radio" name="byRole" checked={!ways.byRole} onChange={() => set({ byRole: false })}>
                    all of them
                </Choice>
                <Choice type="radio" name="byRole" checked={ways.byRole} onChange={() => set({ byRole: true })}>
                    those with one of these roles
                </Choice>
                {ways.byRole && (
                    <Typed
                        label="Roles of visitors"
                        value={ways.roles}
                        placeholder="crew, residents"
                        error={errorOf('roles', 'signedIn')}
                        onType={roles => set({ roles })}
                    />
                )}
            </Way>
            <Way label="Whoever knows a password" on={ways.password} onTurn={password => set({ password })}>
                <Typed
                    label="Password of the page"
                    value={ways.typed}
                    placeholder={ways.hasPassword ? 'one is set; type another to change it' : 'at least 8 characters'}
                    error={errorOf('password')}
                    onType={typed => set({ typed })}
                />
                <Muted small>It is kept so that nobody can read it again: note it where you need it.</Muted>
            </Way>
            <Way label="Those in some networks" on={ways.network} onTurn={network => set({ network })}>
                <label className="grid gap-1">
                    <span className="sr-only">Networks</span>
                    <textarea
                        rows={2}
                        spellCheck={false}
                        value={ways.networks}
                        placeholder="192.0.2.0/24, 2001:db8::/32"
                        aria-invalid={errorOf('networks') !== undefined}
                        className={`${inputClasses} h-auto! font-mono text-[13px]`}
                        onChange={event => set({ networks: event.target.value })}
                    />
                </label>
                <Reason of={errorOf('networks')} />
            </Way>
            {several && (
                <div className="grid gap-1 border-t border-line pt-2.5">
                    <Choice type="radio" name="all" checked={!ways.all} onChange={() => set({ all: false })}>
                        One of these is enough
                    </Choice>
                    <Choice type="radio" name="all" checked={ways.all} onChange={() => set({ all: true })}>
                        All of these are needed
                    </Choice>
                </div>
            )}
        </fieldset>
    )
}

type WayProps = { label: string; on: boolean; onTurn: (on: boolean) => void; children: React.ReactNode }

function Way({ label, on, onTurn, children }: WayProps) {
    return (
        <div className="grid gap-1.5">
            <Choice checked={on} onChange={event => onTurn(event.target.checked)}>
                {label}
            </Choice>
            {on && <div className="grid gap-1.5 pl-[22px]">{children}</div>}
        </div>
    )
}

type TypedProps = {
    label: string
    value: string
    placeholder: string
    error: string | undefined
    onType: (typed: string) => void
}

function Typed({ label, value, placeholder, error, onType }: TypedProps) {
    return (
        <div>
            <input
                aria-label={label}
                value={value}
                placeholder={placeholder}
                autoComplete="off"
                spellCheck={false}
                aria-invalid={error !== undefined}
                className={inputClasses}
                onChange={event => onType(event.target.value)}
            />
            <Reason of={error} />
        </div>
    )
}

function Reason({ of }: { of: string | undefined }) {
    return of === undefined ? null : (
        <p role="alert" className="mt-1 text-[12px] text-berry">
            {of}
        </p>
    )
}
