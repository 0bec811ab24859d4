<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

/**
 * The names by which links lead to a place within a page: those that blocks were given, and for headings without one a name
 * made from their text. Names beginning with `site-` belong to the layout.
 */
final class Anchors
{
    /** Longest name made from a text, in characters. */
    private const MOST = 60;

    /** @var array<string, int> the number to try next for a text */
    private array $next = [];

    /** @param  array<string, true>  $used */
    private function __construct(private array $used)
    {
    }

    public static function isName(string $name): bool
    {
        return preg_match('/^(?!site-)[\p{L}\p{N}](?:[\p{L}\p{N}._-]*)$/uD', $name) === 1;
    }

    /** A name that would do for a text. */
    public static function name(string $text): string
    {
        $name = mb_strtolower(\Normalizer::normalize($text, \Normalizer::FORM_C) ?: $text);
        $name = trim((string) preg_replace('/[^\p{L}\p{N}]+/u', '-', $name), '-');
        if (mb_strlen($name) > self::MOST) {
            $name = rtrim((string) preg_replace('/-[^-]*$/u', '', mb_substr($name, 0, self::MOST + 1)), '-');
            $name = mb_substr($name, 0, self::MOST);
        }

        return match (true) {
            $name === '' => 'part',
            str_starts_with($name, 'site-') || $name === 'site' => "the-$name",
            default => $name,
        };
    }

    /**
     * The blocks with a name on every heading; a text that occurs again gets a number.
     *
     * @param  list<array<string, mixed>>  $blocks
     * @return list<array<string, mixed>>
     */
    public static function onHeadings(array $blocks): array
    {
        return (new self(self::given($blocks)))->named($blocks);
    }

    /** @return list<array{name: string, text: string, level: int|null}> where links can lead to, in reading order; of headings with text and level */
    public static function places(Document $document): array
    {
        $places = [];
        foreach (Document::walk(self::onHeadings($document->blocks)) as $node) {
            if (isset($node['attrs']['anchor'])) {
                $isHeading = $node['type'] === 'heading';
                $places[] = [
                    'name' => $node['attrs']['anchor'],
                    'text' => $isHeading ? PlainText::line($node['content']) : '',
                    'level' => $isHeading ? $node['attrs']['level'] : null,
                ];
            }
        }

        return $places;
    }

    /**
     * @param  list<array<string, mixed>>  $blocks
     * @return array<string, true> the names that blocks were given, hidden ones too
     */
    public static function given(array $blocks): array
    {
        $used = [];
        foreach (Document::walk($blocks, true) as $node) {
            if (isset($node['attrs']['anchor'])) {
                $used[$node['attrs']['anchor']] = true;
            }
        }

        return $used;
    }

    /**
     * @param  list<array<string, mixed>>  $blocks
     * @return list<array<string, mixed>>
     */
    private function named(array $blocks): array
    {
        foreach ($blocks as $i => $block) {
            if ($block['type'] === 'heading') {
                $blocks[$i]['attrs']['anchor'] ??= $this->free(self::name(PlainText::line($block['content'])));
            } elseif (isset($block['content']) && ! in_array($block['type'], ['paragraph', 'codeBlock', 'foldQuestion', 'text'], true)) {
                $blocks[$i]['content'] = $this->named($block['content']);
            }
        }

        return $blocks;
    }

    private function free(string $name): string
    {
        // Where a text occurs often, the search goes on where it stopped for the one before.
        for ($i = $this->next[$name] ?? 1; isset($this->used[$i === 1 ? $name : "$name-$i"]); $i++);
        $this->next[$name] = $i + 1;
        $free = $i === 1 ? $name : "$name-$i";
        $this->used[$free] = true;

        return $free;
    }
}
