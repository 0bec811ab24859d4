<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Block;

use Heronstem\Core\Content\DocumentReader;
use Heronstem\Core\Content\InvalidDocument;

/** A node of any origin on its way into a document, with its place in it. */
final readonly class ReadNode
{
    /** @param  array<mixed>  $node */
    public function __construct(private array $node, public string $at, private int $depth, private DocumentReader $reader)
    {
    }

    public function attributes(): Attributes
    {
        $attrs = $this->node['attrs'] ?? [];

        return new Attributes(is_array($attrs) ? $attrs : [], "$this->at.attrs");
    }

    /** @return list<array<string, mixed>> what a line holds: text and line breaks */
    public function inline(): array
    {
        return $this->reader->inline($this->node['content'] ?? [], "$this->at.content");
    }

    /** Text without marks: line breaks of its own are kept. */
    public function plain(): string
    {
        $text = '';
        foreach ($this->inline() as $piece) {
            $text .= $piece['text'] ?? "\n";
        }

        return $text;
    }

    /** @return list<array<string, mixed>> */
    public function blocks(Room $room): array
    {
        return $this->reader->blocks($this->node['content'] ?? [], "$this->at.content", $this->depth + 1, $room);
    }

    /**
     * Nodes that stand nowhere else: items of a list, rows of a table.
     *
     * @param  \Closure(self): array<string, mixed>  $read
     * @return list<array<string, mixed>>
     *
     * @throws InvalidDocument with `$reason` where another type stands, or fewer or more
     */
    public function parts(string $type, \Closure $read, string $reason, int $least = 0, int $most = PHP_INT_MAX): array
    {
        $parts = $this->reader->each($this->node['content'] ?? [], "$this->at.content", function (array $part, string $at) use (
            $type,
            $read,
            $reason,
        ): array {
            if (($part['type'] ?? null) !== $type) {
                throw new InvalidDocument("$at.type", $reason, $type);
            }

            return ['type' => $type] + $read(new self($part, $at, $this->depth + 1, $this->reader));
        });

        return count($parts) < $least || count($parts) > $most ? throw new InvalidDocument("$this->at.content", $reason, $type) : $parts;
    }

    /**
     * Exactly two parts, each of its own type and in this order.
     *
     * @param  \Closure(self): array<string, mixed>  $readFirst
     * @param  \Closure(self): array<string, mixed>  $readSecond
     * @return list<array<string, mixed>>
     *
     * @throws InvalidDocument with `$reason` where anything else stands
     */
    public function pair(string $first, \Closure $readFirst, string $second, \Closure $readSecond, string $reason): array
    {
        $content = $this->node['content'] ?? [];
        $types = is_array($content) ? array_map(static fn (mixed $part): mixed => is_array($part) ? $part['type'] ?? null : null, $content) : [];
        if ($types !== [$first, $second]) {
            throw new InvalidDocument("$this->at.content", $reason, $first);
        }
        $part = fn (int $i): self => new self($content[$i], "$this->at.content.$i", $this->depth + 1, $this->reader);

        return [['type' => $first] + $readFirst($part(0)), ['type' => $second] + $readSecond($part(1))];
    }
}
