<?php

declare(strict_types=1);

namespace Heronstem\Core\Visitors;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Moment;

/**
 * Which visitors see a page and all pages below it, as somebody said it for that page. The nearest page that says something
 * at the moment decides, so that what is said below is an exception to what is said above; nothing said anywhere is everyone.
 */
final readonly class PageAccess
{
    public const EVERYONE = 'everyone';

    public const NOBODY = 'nobody';

    /** Those whom one of its ways lets in, or all of them. */
    public const SOME = 'some';

    private const MAX_NETWORKS = 50;

    private const FIELDS = ['to', 'signedIn', 'roles', 'password', 'networks', 'all', 'others', 'from', 'until', 'https'];

    /**
     * @param  string  $to  one of the constants
     * @param  bool  $signedIn  whoever is signed in
     * @param  list<string>  $roles  whoever is signed in and has one of these
     * @param  PagePassword|null  $password  whoever knows it
     * @param  list<Network>  $networks  whoever comes from one of these
     * @param  bool  $all  every way that is set has to fit, rather than one of them
     * @param  Moment|null  $from  it says something from then on
     * @param  Moment|null  $until  and nothing any more from then on
     * @param  bool  $https  it answers by https alone, also where the site itself is asked by http
     */
    private function __construct(
        public string $to,
        public bool $signedIn = false,
        public array $roles = [],
        public ?PagePassword $password = null,
        public array $networks = [],
        public bool $all = false,
        public Others $others = Others::Refused,
        public ?Moment $from = null,
        public ?Moment $until = null,
        public bool $https = false,
    ) {
    }

    /**
     * @param  array<mixed>  $given  by the names of the fields; of a password its text, true for the one that is set, or its keys by page, as changes are kept
     * @param  string  $zone  of times written without one
     * @param  self|null  $before  what the page said
     *
     * @throws InputRefused naming the field
     */
    public static function read(array $given, string $page, string $zone, ?self $before): self
    {
        $unknown = array_diff(array_keys($given), self::FIELDS);
        if ($unknown !== []) {
            throw new InputRefused((string) reset($unknown), 'This is unknown here. What can be set: '.implode(', ', self::FIELDS).'.');
        }
        $to = $given['to'] ?? null;
        if (! in_array($to, [self::EVERYONE, self::NOBODY, self::SOME], true)) {
            throw new InputRefused('to', 'A page is open to everyone, to some, or to nobody.', self::EVERYONE);
        }
        $isSome = $to === self::SOME;
        $access = new self(
            $to,
            $isSome && self::flag($given, 'signedIn'),
            $isSome ? VisitorRoles::read($given['roles'] ?? [], 'roles') : [],
            $isSome ? self::password($given, $page, $before) : null,
            $isSome ? self::networks($given) : [],
            $isSome && self::flag($given, 'all'),
            self::others($given, $to),
            self::moment($given, 'from', $zone),
            self::moment($given, 'until', $zone),
            self::flag($given, 'https'),
        );
        $access->guard();

        return $access;
    }

    public function isEveryone(): bool
    {
        return $this->to === self::EVERYONE;
    }

    public function holdsAt(Moment $moment): bool
    {
        return ($this->from === null || ! $this->from->isAfter($moment)) && ($this->until === null || $this->until->isAfter($moment));
    }

    /** Whether it says something at every moment, so that what is said above never counts. */
    public function isLasting(): bool
    {
        return $this->from === null && $this->until === null;
    }

    public function admits(Guest $guest): bool
    {
        if ($this->to !== self::SOME) {
            return $this->to === self::EVERYONE;
        }
        $fits = [];
        if ($this->roles !== []) {
            $fits[] = $guest->isSignedIn && array_intersect($this->roles, $guest->roles) !== [];
        } elseif ($this->signedIn) {
            $fits[] = $guest->isSignedIn;
        }
        if ($this->password !== null) {
            $fits[] = in_array($this->password->kept, $guest->passwords, true);
        }
        if ($this->networks !== []) {
            $fits[] = array_filter($this->networks, static fn (Network $network): bool => $network->contains($guest->address)) !== [];
        }

        return $this->all ? ! in_array(false, $fits, true) : in_array(true, $fits, true);
    }

    /**
     * What those get who are not let in: a form only where it could let them in.
     */
    public function answerTo(Guest $guest): Others
    {
        $isInNetwork = array_filter($this->networks, static fn (Network $network): bool => $network->contains($guest->address)) !== [];
        $isUseless = match ($this->others) {
            Others::SignIn => $guest->isSignedIn || ($this->all && $this->networks !== [] && ! $isInNetwork),
            Others::Password => $this->all && $this->networks !== [] && ! $isInNetwork,
            default => false,
        };

        return $isUseless ? Others::Refused : $this->others;
    }

    /**
     * What decides at a moment.
     *
     * @param  iterable<self|null>  $said  by a page and those above it, nearest first
     * @return self|null null where nothing is said: everyone
     */
    public static function at(Moment $moment, iterable $said): ?self
    {
        foreach ($said as $access) {
            if ($access?->holdsAt($moment) === true) {
                return $access;
            }
        }

        return null;
    }

    /**
     * All that can ever decide: up to the first that always says something.
     *
     * @param  iterable<self|null>  $said  nearest first
     * @return list<self>
     */
    public static function line(iterable $said): array
    {
        $line = [];
        foreach ($said as $access) {
            if ($access !== null) {
                $line[] = $access;
                if ($access->isLasting()) {
                    break;
                }
            }
        }

        return $line;
    }

    /** Whom it lets in, as sentences name them. */
    public function inWords(): string
    {
        $ways = array_filter([
            $this->roles === [] ? ($this->signedIn ? 'signed-in visitors' : null) : 'visitors with the role '.implode(' or ', $this->roles),
            $this->password === null ? null : 'those who know the password',
            $this->networks === []
                ? null
                : 'those in '.implode(', ', array_map(static fn (Network $network): string => $network->toText(), $this->networks)),
        ]);

        $whom = $this->to === self::SOME ? implode($this->all ? ' who are also ' : ' or ', $ways) : $this->to;

        return $this->https ? "$whom, by https alone" : $whom;
    }

    /** @return array<string, mixed> what is said, as it is stored and as the history keeps it */
    public function toArray(): array
    {
        return array_filter(
            [
                'to' => $this->to,
                'signedIn' => $this->signedIn,
                'roles' => $this->roles,
                'password' => $this->password?->kept,
                'networks' => array_map(static fn (Network $network): string => $network->toText(), $this->networks),
                'all' => $this->all,
                'others' => $this->isEveryone() ? null : $this->others->value,
                'from' => $this->from?->iso(),
                'until' => $this->until?->iso(),
                'https' => $this->https,
            ],
            static fn (mixed $value): bool => $value !== null && $value !== false && $value !== [],
        );
    }

    public function toText(): string
    {
        return json_encode($this->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    /** @param  string|null  $text  as toText() gave it */
    public static function stored(?string $text): ?self
    {
        $kept = $text === null ? null : json_decode($text, true);
        if (! is_array($kept)) {
            return null;
        }
        $texts = static fn (string $field): array => array_values(array_filter((array) ($kept[$field] ?? []), is_string(...)));
        $moment = static fn (string $field): ?Moment => is_string($kept[$field] ?? null) ? Moment::stored($kept[$field]) : null;

        return new self(
            // What cannot be read lets nobody in.
            in_array($kept['to'] ?? null, [self::EVERYONE, self::SOME], true) ? $kept['to'] : self::NOBODY,
            ($kept['signedIn'] ?? false) === true,
            $texts('roles'),
            PagePassword::stored($kept['password'] ?? null),
            array_map(static fn (string $network): Network => Network::read($network, 'networks'), $texts('networks')),
            ($kept['all'] ?? false) === true,
            Others::tryFrom(is_string($kept['others'] ?? null) ? $kept['others'] : '') ?? Others::Refused,
            $moment('from'),
            $moment('until'),
            ($kept['https'] ?? false) === true,
        );
    }

    private function guard(): void
    {
        $isSigning = $this->signedIn || $this->roles !== [];
        if ($this->to === self::SOME && ! $isSigning && $this->password === null && $this->networks === []) {
            throw new InputRefused('to', 'Say who gets in: those signed in, some roles, who knows a password, or some networks.');
        }
        if ($this->others === Others::SignIn && ! $isSigning) {
            throw new InputRefused(
                'others',
                'Signing in would let nobody in here. Choose another answer, or let in those who are signed in.',
                'refused',
            );
        }
        if ($this->others === Others::Password && $this->password === null) {
            throw new InputRefused('others', 'There is no password to ask for. Choose another answer, or set a password.', 'refused');
        }
        if ($this->from !== null && $this->until !== null && ! $this->until->isAfter($this->from)) {
            throw new InputRefused('until', 'The end comes before the beginning. Choose an end after it.');
        }
    }

    /** @param  array<mixed>  $given */
    private static function flag(array $given, string $field): bool
    {
        $flag = $given[$field] ?? false;

        return is_bool($flag) ? $flag : throw new InputRefused($field, 'This is true or false.');
    }

    /**
     * @param  array<mixed>  $given
     * @return list<Network>
     */
    private static function networks(array $given): array
    {
        $networks = [];
        foreach (self::list($given, 'networks', self::MAX_NETWORKS) as $i => $typed) {
            $network = Network::read($typed, "networks.$i");
            $networks[$network->toText()] = $network;
        }

        return array_values($networks);
    }

    /**
     * @param  array<mixed>  $given
     * @return list<string>
     */
    private static function list(array $given, string $field, int $most): array
    {
        $list = $given[$field] ?? [];
        if (! is_array($list) || ! array_is_list($list) || array_filter($list, static fn (mixed $each): bool => ! is_string($each)) !== []) {
            throw new InputRefused($field, 'This is a list of texts.');
        }

        return count($list) <= $most ? $list : throw new InputRefused($field, "These are at most $most.");
    }

    /** @param  array<mixed>  $given */
    private static function password(array $given, string $page, ?self $before): ?PagePassword
    {
        $typed = $given['password'] ?? null;

        return match (true) {
            $typed === null, $typed === '', $typed === false => null,
            is_string($typed) => PagePassword::set($typed, $page),
            is_array($typed) && is_array($typed['keys'] ?? null) => PagePassword::stored($typed['keys'][$page] ?? null) ??
                throw new InputRefused('password', 'There is no key of a password for this page. Type the password.'),
            $typed === true && $before?->password !== null => $before->password,
            default => throw new InputRefused('password', 'Type a password. (True keeps the one that is set, and there is none.)'),
        };
    }

    /** @param  array<mixed>  $given */
    private static function others(array $given, string $to): Others
    {
        $others = $given['others'] ?? null;
        if ($others === null || $to === self::EVERYONE) {
            return match (true) {
                $to !== self::SOME => Others::Refused,
                ($given['signedIn'] ?? false) === true || ($given['roles'] ?? []) !== [] => Others::SignIn,
                ($given['password'] ?? null) !== null => Others::Password,
                default => Others::Refused,
            };
        }

        return (is_string($others) ? Others::tryFrom($others) : null) ??
            throw new InputRefused('others', 'What others get is one of '.implode(', ', array_column(Others::cases(), 'value')).'.', 'refused');
    }

    /** @param  array<mixed>  $given */
    private static function moment(array $given, string $field, string $zone): ?Moment
    {
        $typed = $given[$field] ?? null;

        return match (true) {
            $typed === null, $typed === '' => null,
            is_string($typed) => Moment::read($typed, $zone, $field),
            default => throw new InputRefused($field, 'This is a date and time.', '2027-05-03T06:00'),
        };
    }
}
