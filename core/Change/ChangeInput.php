<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Identity;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Linking\OwnAddress;
use Heronstem\Core\Linking\Target;
use Heronstem\Core\Moment;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Workspace\Place;
use Heronstem\Core\Workspace\PlaceKind;

/** One change as it is asked for, with a method for each kind of field. Every method names its field when it refuses. */
final readonly class ChangeInput
{
    /** Longest note, in characters. */
    private const MAX_NOTE_LENGTH = 2000;

    /**
     * @param  array<mixed>  $given
     * @param  string  $zone  the site's time zone, for times written without one
     * @param  OwnAddress|null  $own  where a whole URL of the site may stand for its address
     * @param  string|null  $page  which of several pages this is; null where one is named
     * @param  string|null  $previous  the one before it
     */
    public function __construct(
        private array $given,
        public AddressRules $rules,
        public string $zone = 'UTC',
        private ?OwnAddress $own = null,
        private ?string $page = null,
        public ?string $previous = null,
    ) {
    }

    /** The same for one of several pages. */
    public function forPage(string $page, ?string $previous): self
    {
        return new self($this->given, $this->rules, $this->zone, $this->own, $page, $previous);
    }

    public function has(string $field): bool
    {
        return isset($this->given[$field]);
    }

    public function page(): string
    {
        return $this->page ?? $this->identity('page');
    }

    /** An identity that is chosen for something new; among several pages each has its own, which follows from it. */
    public function newIdentity(string $field): string
    {
        return $this->page === null ? $this->identity($field) : Identity::derived($this->identity($field), $this->page);
    }

    public function identity(string $field): string
    {
        return self::identityIn($this->given[$field] ?? null, $field);
    }

    /** @return list<string> */
    public function identities(string $field): array
    {
        $given = $this->given[$field] ?? null;
        if (! is_array($given) || $given === []) {
            throw new InputRefused($field, 'This is a list of identities, at least one.');
        }
        $read = [];
        foreach (array_values($given) as $i => $each) {
            $read[self::identityIn($each, "$field.$i")] = true;
        }

        return array_map(strval(...), array_keys($read));
    }

    public function text(string $field): string
    {
        return is_string($this->given[$field] ?? null) ? $this->given[$field] : '';
    }

    /**
     * @return list<string> none where the field is missing
     *
     * @throws InputRefused
     */
    public function texts(string $field): array
    {
        $given = $this->raw($field) ?? [];
        if (! is_array($given) || ! array_is_list($given)) {
            throw new InputRefused($field, 'This is a list of texts.');
        }
        foreach ($given as $i => $text) {
            if (! is_string($text)) {
                throw new InputRefused("$field.$i", 'This is a text.');
            }
        }

        return $given;
    }

    public function textOrNull(string $field): ?string
    {
        return $this->has($field) ? $this->text($field) : null;
    }

    /** @return array<mixed> by names that are not known here */
    public function map(string $field): array
    {
        $given = $this->given[$field] ?? [];

        return is_array($given) ? $given : throw new InputRefused($field, 'This is an object.');
    }

    public function flag(string $field): ?bool
    {
        $given = $this->given[$field] ?? null;

        return $given === null || is_bool($given) ? $given : throw new InputRefused($field, 'This is true or false.');
    }

    public function name(): PageName
    {
        return PageName::of($this->text('name'));
    }

    public function nameOrNull(): ?PageName
    {
        return $this->has('name') ? $this->name() : null;
    }

    public function slug(): Slug
    {
        return Slug::of($this->text('slug'));
    }

    public function address(): Address
    {
        return Address::set($this->behindHost('address'), $this->rules);
    }

    /** @throws InputRefused for a URL of another site */
    public function behindHost(string $field): string
    {
        $typed = $this->text($field);
        $behind = $this->own?->behindHost($typed) ?? $typed;
        if (preg_match('#^\s*https?://#i', $behind) === 1) {
            $path = parse_url(trim($behind), PHP_URL_PATH);
            throw new InputRefused(
                $field,
                'This is an address of another site. Only addresses of this site can be used here.',
                is_string($path) ? $path : '/',
            );
        }

        return $behind;
    }

    public function scope(): Scope
    {
        return $this->choice('scope', Scope::Page);
    }

    /**
     * @template T of \BackedEnum
     *
     * @param  T  $default
     * @return T
     */
    public function choice(string $field, \BackedEnum $default): \BackedEnum
    {
        return $this->has($field) ? $this->requiredChoice($field, $default::class) : $default;
    }

    /**
     * @template T of \BackedEnum
     *
     * @param  class-string<T>  $choices
     * @return T
     */
    public function requiredChoice(string $field, string $choices): \BackedEnum
    {
        $given = $this->given[$field] ?? null;
        $choice = is_string($given) ? $choices::tryFrom($given) : null;

        return $choice ?? throw new InputRefused($field, 'This is one of '.implode(', ', array_column($choices::cases(), 'value')).'.');
    }

    public function target(): ?Target
    {
        $leads = $this->given['leadsTo'] ?? null;
        if ($leads === null) {
            return null;
        }

        return is_array($leads) && count($leads) === 1
            ? Target::read(key($leads), current($leads), $this->rules)
            : Target::read(null, null, $this->rules);
    }

    public function moment(string $field): ?Moment
    {
        $typed = $this->text($field);

        return $typed === '' ? null : Moment::read($typed, $this->zone, $field);
    }

    public function note(): string
    {
        $note = trim($this->text('note'));
        if (mb_strlen($note) > self::MAX_NOTE_LENGTH) {
            throw new InputRefused('note', sprintf('A note has at most %d characters; this one has %d.', self::MAX_NOTE_LENGTH, mb_strlen($note)));
        }

        return $note;
    }

    public function place(): Place
    {
        $place = $this->given['place'] ?? null;
        if (! is_array($place) || count($place) !== 1) {
            throw new InputRefused(
                'place',
                'A place is one of {"last": parent}, {"first": parent}, {"before": sibling}, {"after": sibling}; a parent may be null for the top.',
            );
        }
        $kind = PlaceKind::tryFrom((string) key($place));
        $page = current($place);

        return match ($kind) {
            PlaceKind::Last => Place::lastIn($page === null ? null : self::identityIn($page, 'place')),
            PlaceKind::First => Place::firstIn($page === null ? null : self::identityIn($page, 'place')),
            PlaceKind::Before => Place::before(self::identityIn($page, 'place')),
            PlaceKind::After => Place::after(self::identityIn($page, 'place')),
            null => throw new InputRefused('place', 'A place is last, first, before or after.'),
        };
    }

    public function placeOrNull(): ?Place
    {
        return $this->has('place') ? $this->place() : null;
    }

    /** @return list<mixed> none where the field is missing; that it is a list has been looked at */
    public function list(string $field): array
    {
        $given = $this->given[$field] ?? [];

        return is_array($given) ? array_values($given) : [];
    }

    public function raw(string $field): mixed
    {
        return $this->given[$field] ?? null;
    }

    /**
     * @param  list<string>  $fields
     * @return array<string, mixed> those of these fields that are given, null included
     */
    public function only(array $fields): array
    {
        return array_intersect_key($this->given, array_flip($fields));
    }

    private static function identityIn(mixed $value, string $field): string
    {
        if (! Identity::names($value)) {
            throw new InputRefused($field, 'This is an identity, 26 letters and digits.');
        }

        return $value;
    }
}
