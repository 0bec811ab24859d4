<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

use Heronstem\Core\Content\Document;
use Heronstem\Core\OneLine;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Tree\PageTexts;

/**
 * Words in braces that stand for others, as a starting point has them: “{island}” in names, texts, fields and content, filled when pages
 * are made from it. What patterns of titles fill by themselves, such as “{name}”, is none.
 */
final readonly class Placeholders
{
    /** Longest text that may be filled in, in characters. */
    public const MAX_LENGTH = 100;

    private const FORM = '/\{([\p{L}\p{N}](?:[\p{L}\p{N} _-]{0,38}[\p{L}\p{N}])?)\}/u';

    /** Under which a document and the fields of a page hold what leads somewhere, names something or says how it looks. */
    private const NOT_READ = ['type', 'page', 'file', 'href', 'anchor', 'style', 'piece', 'address', 'url', 'wanted', 'tag'];

    /** @param  array<string, string>  $words  by placeholder, in lower case */
    private function __construct(private array $words)
    {
    }

    /** @param  array<string, string>  $words  by placeholder, however it is written; those that are blank stay as they are */
    public static function with(array $words): self
    {
        $known = [];
        foreach ($words as $name => $word) {
            $word = OneLine::typed($word);
            if ($word !== '') {
                $known[mb_strtolower((string) $name)] = $word;
            }
        }

        return new self($known);
    }

    /** @return list<string> as the texts have them first, each once, in whatever case */
    public static function of(string ...$texts): array
    {
        return array_values(self::found($texts));
    }

    /** @return array<string, string> those of a page and its content as they are written first, by their names in lower case */
    public static function ofPage(Page $page, ?Document $content): array
    {
        $texts = array_intersect_key($page->working()->toArray(), PageTexts::MAX_LENGTHS);

        return self::found([
            $page->name,
            ...array_map(strval(...), array_values($texts)),
            ...self::read($page->working()->fields->values),
            ...self::read($content?->toArray() ?? []),
        ]);
    }

    /**
     * @param  array<string>  $texts
     * @return array<string, string>
     */
    private static function found(array $texts): array
    {
        $found = [];
        foreach ($texts as $text) {
            preg_match_all(self::FORM, $text, $names);
            foreach ($names[1] as $name) {
                if (! isset(TextPattern::NAMES[$name])) {
                    $found[mb_strtolower($name)] ??= $name;
                }
            }
        }

        return $found;
    }

    public function fill(string $text): string
    {
        return (string) preg_replace_callback(self::FORM, fn (array $of): string => $this->words[mb_strtolower($of[1])] ?? $of[0], $text);
    }

    /** The page with its name, texts and fields filled. Its slug is for whoever places it. */
    public function page(Page $page): Page
    {
        $texts = [];
        foreach (array_intersect_key($page->working()->toArray(), PageTexts::MAX_LENGTHS) as $field => $text) {
            $texts[$field] = $text === null ? null : mb_substr($this->fill($text), 0, PageTexts::MAX_LENGTHS[$field]);
        }
        $fields = $page->working()->fields;
        $filled = $page->working()->changed($texts, '')->withFields($fields->with($this->values($fields->values)));

        return $page->named(mb_substr($this->fill($page->name), 0, PageName::MAX_LENGTH))->with(['texts' => $filled, 'prepared' => null]);
    }

    public function document(Document $content): Document
    {
        return Document::kept($this->values($content->toArray()));
    }

    /**
     * @param  array<mixed>  $node
     * @return list<string>
     */
    private static function read(array $node): array
    {
        $texts = [];
        array_walk_recursive($node, static function (mixed $value, int|string $key) use (&$texts): void {
            if (is_string($value) && ! in_array($key, self::NOT_READ, true)) {
                $texts[] = $value;
            }
        });

        return $texts;
    }

    /**
     * @template T of array<mixed>
     *
     * @param  T  $node
     * @return T
     */
    private function values(array $node): array
    {
        array_walk_recursive($node, function (mixed &$value, int|string $key): void {
            if (is_string($value) && ! in_array($key, self::NOT_READ, true)) {
                $value = $this->fill($value);
            }
        });

        return $node;
    }
}
