<?php

declare(strict_types=1);

namespace Heronstem\Core\Tree;

use Heronstem\Core\InputRefused;
use Heronstem\Core\OneLine;

/** The tags of a page: short words by which it is found and listed wherever it stands. Those of all pages are the tags of a site. */
final readonly class Tags
{
    use SharesBlank;

    /** Most tags of one page. */
    public const MOST = 30;

    /** Longest tag, characters. */
    public const LONGEST = 60;

    /** @param  list<string>  $all  each once, in the order of their signs */
    public function __construct(public array $all = [])
    {
    }

    /**
     * A tag as it is kept: white space folded.
     *
     * @throws InputRefused where it is empty, too long, or has a comma, which stands between tags
     */
    public static function tag(string $given, string $field): string
    {
        $tag = OneLine::of($given);

        return match (true) {
            $tag === '' => throw new InputRefused($field, 'A tag has at least one character.'),
            mb_strlen($tag) > self::LONGEST => throw new InputRefused(
                $field,
                sprintf('A tag has at most %d characters; this one has %d.', self::LONGEST, mb_strlen($tag)),
            ),
            str_contains($tag, ',') => throw new InputRefused($field, 'A comma stands between tags, so none has one. Make two of it.'),
            default => $tag,
        };
    }

    /**
     * @param  list<string>  $add  as tag() gave them
     * @param  list<string>  $remove
     *
     * @throws InputRefused where these become too many
     */
    public function changed(array $add, array $remove): self
    {
        $all = array_values(array_unique(array_diff([...$this->all, ...$add], array_diff($remove, $add))));
        sort($all, SORT_STRING);
        if (count($all) > self::MOST) {
            throw new InputRefused('add', sprintf('A page has at most %d tags; these would be %d.', self::MOST, count($all)));
        }

        return new self($all);
    }

    public function has(string $tag): bool
    {
        return in_array($tag, $this->all, true);
    }

    /** @return string|null null for none */
    public function toText(): ?string
    {
        return $this->all === [] ? null : json_encode($this->all, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    /** @param  string|null  $text  as toText() gave it */
    public static function stored(?string $text): self
    {
        if (Stored::isBlank($text)) {
            return self::blank();
        }

        return new self(array_values(array_filter(Stored::read($text), is_string(...))));
    }
}
