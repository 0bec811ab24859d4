<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Block;

/** Every kind of block that the format knows, by its type. */
final readonly class Kinds
{
    /** @var array<string, BlockKind> */
    private array $kinds;

    public function __construct()
    {
        $kinds = [];
        foreach (
            [
                new Paragraph(),
                new Heading(),
                new BulletList(),
                new OrderedList(),
                new Quote(),
                new Picture(),
                new Columns(),
                new Table(),
                new Callout(),
                new Fold(),
                new ButtonLink(),
                new Divider(),
                new Code(),
                new Gallery(),
                new Video(),
                new Pages(),
                new FileLink(),
                new SharedPiece(),
            ] as $kind
        ) {
            $kinds[$kind->type()] = $kind;
        }
        $this->kinds = $kinds;
    }

    public function of(mixed $type): ?BlockKind
    {
        return is_string($type) ? $this->kinds[$type] ?? null : null;
    }

    /** @return list<string> */
    public function types(): array
    {
        return array_keys($this->kinds);
    }
}
