<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

use Heronstem\Core\InputRefused;
use Heronstem\Core\OneLine;

/** A pattern for titles or descriptions: text with names in braces, each filled for every page. */
final readonly class TextPattern
{
    /** What stands in braces, and what it is filled with. */
    public const NAMES = [
        'heading' => 'the heading of the page',
        'name' => 'its name',
        'parent' => 'the name of the page above it',
        'section' => 'the name of the topmost page above it',
        'site' => 'the name of the site',
        'summary' => 'its summary',
    ];

    /** What stands in a field of the page's layout, by its key. */
    private const FIELD = '/\{fields\.([a-z][A-Za-z0-9]{0,39})\}/';

    private const SEPARATOR = '[·|•–—:\-]';

    private function __construct(private string $text)
    {
    }

    /** @throws InputRefused for a name that nothing fills, with the nearest one that there is */
    public static function read(string $typed, string $field): self
    {
        preg_match_all('/\{([^{}]*)\}/u', $typed, $found);
        foreach ($found[1] as $name) {
            if (! isset(self::NAMES[$name]) && preg_match(self::FIELD, "{{$name}}") !== 1) {
                $nearest = self::nearest($name);
                throw new InputRefused(
                    $field,
                    "Nothing is called {{$name}}. Use ".
                        implode(', ', array_map(static fn (string $known): string => "{{$known}}", array_keys(self::NAMES))).
                        ', or a field of the layout by its key, {fields.price}.',
                    str_replace("{{$name}}", "{{$nearest}}", $typed),
                );
            }
        }
        if (preg_match('/[{}]/', (string) preg_replace('/\{[^{}]*\}/u', '', $typed)) === 1) {
            throw new InputRefused($field, 'A brace stands alone. Names stand between one { and one }, as in {heading}.');
        }

        return new self($typed);
    }

    public static function stored(string $text): self
    {
        return new self($text);
    }

    /** Whether what it makes depends on this: a page's `parent`, for one. */
    public function mentions(string $name): bool
    {
        return str_contains($this->text, "{{$name}}");
    }

    public function mentionsFields(): bool
    {
        return preg_match(self::FIELD, $this->text) === 1;
    }

    /** White space folded; a name with nothing to say takes its separator along. */
    public function fill(PageFacts $page, SiteFacts $site): string
    {
        $fields = [];
        preg_match_all(self::FIELD, $this->text, $named);
        foreach ($named[1] as $key) {
            $fields["{fields.$key}"] = $page->field($key, $site->language);
        }
        $filled = strtr($this->text, [
            ...$fields,
            '{heading}' => $page->heading(),
            '{name}' => $page->name,
            '{section}' => (string) $page->section,
            '{parent}' => (string) $page->parent,
            '{site}' => $site->name,
            '{summary}' => $page->texts->summary,
        ]);
        $filled = (string) preg_replace('/(?<=\s)\s*'.self::SEPARATOR.'\s*(?='.self::SEPARATOR.'(?:\s|$))/u', '', self::fold($filled));
        $filled = (string) preg_replace('/^\s*'.self::SEPARATOR.'\s*(?=\s)|(?<=\s)'.self::SEPARATOR.'\s*$/u', '', $filled);

        return self::fold($filled);
    }

    public static function fold(string $text): string
    {
        return OneLine::of($text);
    }

    private static function nearest(string $name): string
    {
        $distances = [];
        foreach (array_keys(self::NAMES) as $known) {
            $distances[$known] = levenshtein(strtolower(substr($name, 0, 60)), $known);
        }

        return (string) array_search(min($distances), $distances, true);
    }
}
