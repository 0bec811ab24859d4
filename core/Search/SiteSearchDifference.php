<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

use Heronstem\Core\Tree\Stored;

/** Something else is set for the whole site of how it is found. */
final readonly class SiteSearchDifference
{
    /** Fields whose entries stand each for itself. */
    private const KEYED = ['layouts', 'answers', 'fieldDefaults'];

    public function __construct(public string $before, public string $after)
    {
    }

    /** Null when nothing differs. */
    public static function between(SiteSearch $before, SiteSearch $after): ?self
    {
        return $before->toText() === $after->toText() ? null : new self($before->toText(), $after->toText());
    }

    /** Whether what pages tell search engines may differ by it. */
    public function concernsPages(): bool
    {
        return SiteSearch::stored($this->after)->tellsOtherwiseThan(SiteSearch::stored($this->before));
    }

    /** Whether trying links to other sites is switched on or off. */
    public function switchesLinkChecks(): bool
    {
        return SiteSearch::stored($this->after)->outside->checksLinks !== SiteSearch::stored($this->before)->outside->checksLinks;
    }

    /** Takes back each part that is still as this left it; what was set anew since stays. */
    public function undoneOn(SiteSearch $now): SiteSearch
    {
        [$before, $after, $parts] = [self::parts($this->before), self::parts($this->after), self::parts($now->toText())];
        foreach ($before + $after as $part => $any) {
            $differs = ($before[$part] ?? null) !== ($after[$part] ?? null);
            if ($differs && ($parts[$part] ?? null) === ($after[$part] ?? null)) {
                $parts[$part] = $before[$part] ?? null;
            }
        }

        return self::whole(array_filter($parts, static fn (mixed $value): bool => $value !== null));
    }

    /** Whether nothing of it was set anew since. */
    public function canBeUndoneOn(SiteSearch $now): bool
    {
        [$before, $after, $undone] = [self::parts($this->before), self::parts($this->after), self::parts($this->undoneOn($now)->toText())];
        foreach ($before + $after as $part => $any) {
            if (($before[$part] ?? null) !== ($after[$part] ?? null) && ($undone[$part] ?? null) !== ($before[$part] ?? null)) {
                return false;
            }
        }

        return true;
    }

    /** @return list<string> the fields that are set otherwise */
    public function fields(): array
    {
        [$before, $after] = [Stored::read($this->before), Stored::read($this->after)];
        $differing = array_filter(
            array_keys($before + $after),
            static fn (int|string $field): bool => ($before[$field] ?? null) !== ($after[$field] ?? null),
        );

        return array_map(strval(...), array_values($differing));
    }

    /** @return array{before: string, after: string} */
    public function toArray(): array
    {
        return ['before' => $this->before, 'after' => $this->after];
    }

    /** @param  array{before: string, after: string}|null  $kept  as toArray() gave it */
    public static function fromArray(?array $kept): ?self
    {
        return $kept === null ? null : new self($kept['before'], $kept['after']);
    }

    /** @return array<string, mixed> what is set, each part by field and, where there are several, by what it is set for */
    private static function parts(string $text): array
    {
        $parts = [];
        foreach (Stored::read($text) as $field => $value) {
            if (in_array($field, self::KEYED, true) && is_array($value)) {
                foreach ($value as $key => $each) {
                    $parts["$field $key"] = $each;
                }
            } else {
                $parts[(string) $field] = $value;
            }
        }

        return $parts;
    }

    /** @param  array<string, mixed>  $parts */
    private static function whole(array $parts): SiteSearch
    {
        $whole = [];
        foreach ($parts as $part => $value) {
            [$field, $key] = [...explode(' ', $part, 2), null];
            if ($key === null) {
                $whole[$field] = $value;
            } else {
                $whole[$field][$key] = $value;
            }
        }

        return SiteSearch::stored(Stored::text($whole));
    }
}
