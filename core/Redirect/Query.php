<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

/**
 * The query of a URL as a list of parameters (application/x-www-form-urlencoded, WHATWG URL 5). Each keeps the spelling it
 * came in; names and values are compared decoded.
 */
final readonly class Query
{
    /** @param  list<array{string, string|null, string}>  $pairs  name and value decoded, and how it was written */
    private function __construct(private array $pairs)
    {
    }

    /** @param  string  $text  with or without its question mark */
    public static function of(string $text): self
    {
        $pairs = [];
        foreach (explode('&', ltrim($text, '?')) as $written) {
            if ($written !== '') {
                [$name, $value] = [...explode('=', $written, 2), null];
                $pairs[] = [urldecode((string) $name), $value === null ? null : urldecode($value), $written];
            }
        }

        return new self($pairs);
    }

    /** Of a path or URL with its query. */
    public static function in(string $url): self
    {
        $bare = substr($url, 0, strcspn($url, '#'));
        $start = strpos($bare, '?');

        return self::of($start === false ? '' : rtrim(substr($bare, $start), "\x00..\x20"));
    }

    /** Whether every parameter of another is in this one, as often as there. */
    public function has(self $other): bool
    {
        $mine = array_count_values(array_map(self::compared(...), $this->pairs));
        foreach (array_count_values(array_map(self::compared(...), $other->pairs)) as $pair => $times) {
            if (($mine[$pair] ?? 0) < $times) {
                return false;
            }
        }

        return true;
    }

    /** Without the parameters of another. */
    public function without(self $other): self
    {
        $left = array_count_values(array_map(self::compared(...), $other->pairs));
        $kept = [];
        foreach ($this->pairs as $pair) {
            $key = self::compared($pair);
            if (($left[$key] ?? 0) > 0) {
                $left[$key]--;
            } else {
                $kept[] = $pair;
            }
        }

        return new self($kept);
    }

    /** With the parameters of another added whose names are not here yet. */
    public function merged(self $other): self
    {
        $names = array_flip(array_map(static fn (array $pair): string => "n{$pair[0]}", $this->pairs));

        return new self([
            ...$this->pairs,
            ...array_values(array_filter($other->pairs, static fn (array $pair): bool => ! isset($names["n{$pair[0]}"]))),
        ]);
    }

    /** @return list<array{string, string|null}> name and value, decoded */
    public function pairs(): array
    {
        return array_map(static fn (array $pair): array => [$pair[0], $pair[1]], $this->pairs);
    }

    /** @return list<string> decoded, each once */
    public function names(): array
    {
        return array_values(array_unique(array_column($this->pairs, 0)));
    }

    public function count(): int
    {
        return count($this->pairs);
    }

    /** Parameters in the order of their names: one text for all orders. */
    public function sorted(): string
    {
        $pairs = $this->pairs;
        usort($pairs, static fn (array $a, array $b): int => [$a[0], (string) $a[1]] <=> [$b[0], (string) $b[1]]);

        return implode('&', array_column($pairs, 2));
    }

    /** With its question mark; empty for none. */
    public function text(): string
    {
        return $this->pairs === [] ? '' : '?'.implode('&', array_column($this->pairs, 2));
    }

    /** @param  array{string, string|null, string}  $pair */
    private static function compared(array $pair): string
    {
        return $pair[0].'='.$pair[1];
    }
}
