<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

use Heronstem\Core\Content\Block\Room;

/**
 * A page's content: typed blocks in JSON, version 1; `Block\Kinds` lists them. Wherever a page is named, its identity stands
 * under the key `page`, and a file's under `file`: so links and pictures follow what they mean, wherever it moves. What is
 * asked of a document is answered as visitors see it, without hidden blocks, unless it says otherwise.
 */
final readonly class Document
{
    public const VERSION = 1;

    /** @param  list<array<string, mixed>>  $blocks */
    private function __construct(public array $blocks)
    {
    }

    /**
     * @param  array<mixed>  $json  decoded JSON of any origin
     *
     * @throws InvalidDocument naming the place that does not fit
     */
    public static function read(array $json): self
    {
        if (($json['version'] ?? self::VERSION) !== self::VERSION) {
            throw new InvalidDocument(
                'document.version',
                'This content was written in a version of the format that is not known here.',
                (string) self::VERSION,
            );
        }
        if (($json['type'] ?? null) !== 'doc') {
            throw new InvalidDocument('document.type', 'Content is a document of blocks.', 'doc');
        }

        return new self((new DocumentReader())->blocks($json['content'] ?? [], 'document.content', 0, Room::Page));
    }

    /**
     * One that was read before and kept as it was, without looking at every block again.
     *
     * @param  array<mixed>  $json  as toArray() gave it
     */
    public static function kept(array $json): self
    {
        return new self(is_array($json['content'] ?? null) ? array_values($json['content']) : []);
    }

    public static function blank(): self
    {
        return new self([]);
    }

    /** Whether it says and shows nothing. */
    public function isBlank(): bool
    {
        foreach ($this->nodes() as $node) {
            if (in_array($node['type'], ['picture', 'gallery', 'video', 'pages', 'file', 'button', 'shared'], true)) {
                return false;
            }
        }

        return PlainText::of($this) === '';
    }

    /** @return list<string> identities of pages linked to, each once; `$hidden`: in hidden blocks too */
    public function linkedPages(bool $hidden = false): array
    {
        return $this->collect(
            static fn (array $node): array => [...array_column(self::linksOf($node), 'page'), ...array_column($node['attrs']['chosen'] ?? [], 'page')],
            $hidden,
        );
    }

    /** @return list<string> web and mail addresses linked to as they are written, each once */
    public function hrefs(): array
    {
        return $this->collect(static fn (array $node): array => array_column(self::linksOf($node), 'href'));
    }

    /** @return list<string> names of pages that are linked to and not there yet, each once; of hidden blocks too */
    public function wanted(): array
    {
        return $this->collect(static fn (array $node): array => array_column(self::linksOf($node), 'wanted'), true);
    }

    /** @return list<string> identities of the pictures shown, each once */
    public function pictures(): array
    {
        return $this->collect(static fn (array $node): array => array_column(self::picturesOf($node), 'file'));
    }

    /** @return list<string> identities of all files that it shows or offers, each once; of hidden blocks too */
    public function files(): array
    {
        $files = [];
        $blocks = $this->blocks;
        array_walk_recursive($blocks, static function (mixed $value, int|string $key) use (&$files): void {
            if ($key === 'file' && is_string($value)) {
                $files[$value] = true;
            }
        });

        return array_map(strval(...), array_keys($files));
    }

    /** @return list<string> folders of files whose pictures it shows, each once; of hidden blocks too */
    public function folders(): array
    {
        return $this->collect(
            static fn (array $node): array => $node['type'] === 'gallery' ? array_filter([$node['attrs']['folder'] ?? '']) : [],
            true,
        );
    }

    /** @return list<string> identities of the shared pieces in it, each once; of hidden blocks too */
    public function sharedPieces(): array
    {
        return $this->collect(static fn (array $node): array => $node['type'] === 'shared' ? [$node['attrs']['piece']] : [], true);
    }

    /**
     * The same content with shared pieces put in where they stand, to be shown and looked through; never to be saved.
     *
     * @param  array<string, self>  $pieces  by identity
     */
    public function withPieces(array $pieces): self
    {
        // A name that links lead to stands once on a page: its own blocks go first.
        $taken = Anchors::given($this->blocks);

        return new self(self::filled($this->blocks, $pieces, $taken));
    }

    /**
     * @param  list<array<string, mixed>>  $blocks
     * @param  array<string, self>  $pieces
     * @param  array<mixed>  $taken  names of blocks
     * @return list<array<string, mixed>>
     */
    private static function filled(array $blocks, array $pieces, array &$taken): array
    {
        foreach ($blocks as $i => $block) {
            if ($block['type'] === 'shared') {
                $blocks[$i]['content'] = self::named($pieces[$block['attrs']['piece']]->blocks ?? [], $taken);
            } elseif (isset($block['content'])) {
                $blocks[$i]['content'] = self::filled($block['content'], $pieces, $taken);
            }
        }

        return $blocks;
    }

    /**
     * The blocks of a piece, without names that are taken on the page already.
     *
     * @param  list<array<string, mixed>>  $blocks
     * @param  array<mixed>  $taken
     * @return list<array<string, mixed>>
     */
    private static function named(array $blocks, array &$taken): array
    {
        foreach ($blocks as $i => $block) {
            $name = $block['attrs']['anchor'] ?? null;
            if ($name !== null && isset($taken[$name])) {
                unset($blocks[$i]['attrs']['anchor']);
            } elseif ($name !== null) {
                $taken[$name] = true;
            }
            if (isset($block['content'])) {
                $blocks[$i]['content'] = self::named($block['content'], $taken);
            }
        }

        return $blocks;
    }

    /**
     * The same content with what names some pages naming others: links, lists, and the branches that lists show.
     *
     * @param  array<string, string>  $to  by the page that is named
     */
    public function withPagesTurned(array $to): self
    {
        $blocks = $this->blocks;
        array_walk_recursive($blocks, static function (mixed &$value, int|string $key) use ($to): void {
            if ($key === 'page' && is_string($value)) {
                $value = $to[$value] ?? $value;
            }
        });

        return new self($blocks);
    }

    /**
     * The same content with links that were written as addresses leading to pages; query and fragment stay with them.
     *
     * @param  array<string, string>  $to  page by href
     */
    public function withHrefsTurned(array $to): self
    {
        return $this->withLinks(
            static fn (array $link): array => isset($link['href'], $to[$link['href']]) ? LinkAttributes::toPage($link, $to[$link['href']]) : $link,
        );
    }

    /**
     * The same content with links that were written as addresses leading to files.
     *
     * @param  array<string, string>  $to  file by href
     */
    public function withHrefsOfFiles(array $to): self
    {
        return $this->withLinks(
            static fn (array $link): array => isset($link['href'], $to[$link['href']])
                ? ['file' => $to[$link['href']]] + array_diff_key($link, ['href' => true])
                : $link,
        );
    }

    /** The same content with links to a page that was wanted leading to the one that is there now. */
    public function withWantedMade(string $name, string $page): self
    {
        return $this->withLinks(static fn (array $link): array => ($link['wanted'] ?? null) === $name ? LinkAttributes::toPage($link, $page) : $link);
    }

    /** Whether both say the same, in whatever order their attributes are kept. */
    public function equals(self $other): bool
    {
        $sorted = static function (array $node) use (&$sorted): array {
            if (! array_is_list($node)) {
                ksort($node);
            }

            return array_map(static fn (mixed $value): mixed => is_array($value) ? $sorted($value) : $value, $node);
        };

        return $sorted($this->blocks) === $sorted($other->blocks);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['version' => self::VERSION, 'type' => 'doc', 'content' => $this->blocks];
    }

    /** @return list<int> levels of the headings, in order */
    public function headingLevels(): array
    {
        return array_map(static fn (array $heading): int => $heading['attrs']['level'], $this->ofType('heading'));
    }

    /** @return list<string> texts of the headings, in order */
    public function headings(): array
    {
        return array_map(static fn (array $heading): string => PlainText::line($heading['content']), $this->ofType('heading'));
    }

    /** @return list<array{file: string, alt: string|null}> pictures in order; null where one is marked as decorative */
    public function picturesWithTexts(): array
    {
        $pictures = [];
        foreach ($this->nodes() as $node) {
            foreach (self::picturesOf($node) as $picture) {
                $pictures[] = ['file' => $picture['file'], 'alt' => ($picture['decorative'] ?? false) === true ? null : $picture['alt'] ?? ''];
            }
        }

        return $pictures;
    }

    /** @return list<array<string, mixed>> blocks of a kind, in reading order */
    public function ofType(string $type): array
    {
        return array_values(array_filter(iterator_to_array($this->nodes(), false), static fn (array $node): bool => $node['type'] === $type));
    }

    /** @return \Generator<int, array<string, mixed>> every block and piece of text that visitors see, in reading order */
    public function nodes(): \Generator
    {
        return self::walk($this->blocks);
    }

    /**
     * @param  list<array<string, mixed>>  $blocks
     * @param  bool  $hidden  whether hidden ones are among them
     * @return \Generator<int, array<string, mixed>>
     */
    public static function walk(array $blocks, bool $hidden = false): \Generator
    {
        foreach ($blocks as $block) {
            if ($hidden || ! isset($block['attrs']['hidden'])) {
                yield $block;
                yield from self::walk($block['content'] ?? [], $hidden);
            }
        }
    }

    /**
     * @param  \Closure(array<string, mixed>): array<string>  $of
     * @return list<string>
     */
    private function collect(\Closure $of, bool $hidden = false): array
    {
        $found = [];
        foreach (self::walk($this->blocks, $hidden) as $node) {
            foreach ($of($node) as $value) {
                $found[$value] = true;
            }
        }

        return array_map(strval(...), array_keys($found));
    }

    /**
     * @param  array<string, mixed>  $node
     * @return list<array<string, mixed>>
     */
    private static function linksOf(array $node): array
    {
        $link = $node['type'] === 'text' ? Marks::link($node['marks'] ?? []) : $node['attrs']['link'] ?? null;

        return $link === null ? [] : [$link];
    }

    /**
     * @param  array<string, mixed>  $node
     * @return list<array<string, mixed>>
     */
    private static function picturesOf(array $node): array
    {
        return match ($node['type']) {
            'picture' => [$node['attrs']],
            'gallery' => $node['attrs']['pictures'] ?? [],
            default => [],
        };
    }

    /** @param  \Closure(array<string, mixed>): array<string, mixed>  $of */
    private function withLinks(\Closure $of): self
    {
        return new self(array_map(static fn (array $block): array => self::turned($block, $of), $this->blocks));
    }

    /**
     * @param  array<string, mixed>  $node
     * @param  \Closure(array<string, mixed>): array<string, mixed>  $of
     * @return array<string, mixed>
     */
    private static function turned(array $node, \Closure $of): array
    {
        foreach ($node['marks'] ?? [] as $i => $mark) {
            if ($mark['type'] === 'link') {
                $node['marks'][$i]['attrs'] = $of($mark['attrs']);
            }
        }
        if (isset($node['attrs']['link'])) {
            $node['attrs']['link'] = $of($node['attrs']['link']);
        }
        if (isset($node['content'])) {
            $node['content'] = array_map(static fn (array $child): array => self::turned($child, $of), $node['content']);
        }

        return $node;
    }
}
