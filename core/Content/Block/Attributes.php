<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Block;

use Heronstem\Core\Content\InvalidDocument;
use Heronstem\Core\Identity;

/** The attributes of a node of any origin, each read as what it has to be. Raises InvalidDocument naming the attribute. */
final readonly class Attributes
{
    /** @param  array<mixed>  $given */
    public function __construct(private array $given, public string $at)
    {
    }

    public function has(string $name): bool
    {
        return ($this->given[$name] ?? null) !== null;
    }

    /** A line of text, cut at `$most` characters; empty where nothing is said. */
    public function line(string $name, int $most = 500): string
    {
        $value = $this->given[$name] ?? '';
        if (! is_string($value) || ! mb_check_encoding($value, 'UTF-8')) {
            throw $this->refusal($name, 'Here belongs text.');
        }

        return trim(mb_substr(trim((string) preg_replace('/[\x00-\x1f\x7f]+/', ' ', $value)), 0, $most));
    }

    /** @throws InvalidDocument with `$reason` where it is blank */
    public function needed(string $name, string $reason, int $most = 500): string
    {
        $line = $this->line($name, $most);

        return $line === '' ? throw $this->refusal($name, $reason) : $line;
    }

    /**
     * @template T of string|int
     *
     * @param  list<T>  $choices  the first is meant where nothing is said
     * @return T
     */
    public function choice(string $name, array $choices, string $reason): string|int
    {
        $value = $this->given[$name] ?? $choices[0];

        return in_array($value, $choices, true) ? $value : throw $this->refusal($name, $reason, (string) $choices[0]);
    }

    public function flag(string $name): bool
    {
        return ($this->given[$name] ?? false) === true;
    }

    public function whole(string $name, int $least, int $most, int $else): int
    {
        $value = $this->given[$name] ?? $else;

        return is_int($value) && $value >= $least && $value <= $most
            ? $value
            : throw $this->refusal($name, "Here belongs a whole number from $least to $most.", (string) $else);
    }

    public function identity(string $name): string
    {
        $value = $this->given[$name] ?? null;

        return Identity::names($value) ? $value : throw $this->refusal($name, 'Pages and files are named by their identity, 26 letters and digits.');
    }

    /** The attributes within an attribute. */
    public function within(string $name): self
    {
        $value = $this->given[$name] ?? null;

        return is_array($value) ? new self($value, "$this->at.$name") : throw $this->refusal($name, 'Here belongs an object.');
    }

    /** @return list<self> of `$least` to `$most` entries */
    public function each(string $name, int $least, int $most): array
    {
        $value = $this->given[$name] ?? [];
        if (! is_array($value) || ! array_is_list($value) || count($value) < $least || count($value) > $most) {
            throw $this->refusal($name, "Here belongs a list of $least to $most entries.");
        }
        $entries = [];
        foreach ($value as $i => $entry) {
            $entries[] = is_array($entry) ? new self($entry, "$this->at.$name.$i") : throw $this->refusal("$name.$i", 'Here belongs an object.');
        }

        return $entries;
    }

    public function refusal(string $name, string $reason, ?string $suggestion = null): InvalidDocument
    {
        return new InvalidDocument("$this->at.$name", $reason, $suggestion);
    }
}
