<?php

declare(strict_types=1);

namespace Heronstem\Core\Content;

use Heronstem\Core\Content\Block\Kinds;
use Heronstem\Core\Content\Block\OwnAttributes;

/** Writes blocks as HTML; what kinds of blocks have in common stands here. */
final readonly class HtmlWriter
{
    /** How wide content is at most, px, for browsers to choose a picture by before they know the styles. */
    private const CONTENT_WIDTH = 760;

    public Files $files;

    public PageLists $lists;

    public Films $films;

    private Kinds $kinds;

    public function __construct(private Sources $sources)
    {
        $this->files = $sources->files;
        $this->lists = $sources->lists;
        $this->films = $sources->films;
        $this->kinds = new Kinds();
    }

    public static function escape(string $text): string
    {
        return htmlspecialchars($text, ENT_QUOTES | ENT_SUBSTITUTE | ENT_HTML5, 'UTF-8');
    }

    /** @param  list<array<string, mixed>>  $blocks */
    public function blocks(array $blocks): string
    {
        $html = '';
        foreach ($blocks as $block) {
            $attrs = $block['attrs'] ?? [];
            if (! isset($attrs['hidden'])) {
                $own = new OwnAttributes($attrs['anchor'] ?? null, $attrs['style'] ?? null);
                $html .= $this->kinds->of($block['type'])?->html($block, $own, $this) ?? '';
            }
        }

        return $html;
    }

    /**
     * Pieces of one line. A link goes around all that it covers, whatever marks stand within.
     *
     * @param  list<array<string, mixed>>  $pieces
     */
    public function inline(array $pieces): string
    {
        $html = $within = '';
        $link = null;
        foreach ([...$pieces, null] as $piece) {
            $marks = $piece['marks'] ?? [];
            $leads = Marks::link($marks);
            if ($leads !== $link || $piece === null) {
                $html .= $link === null ? $within : $this->anchor($link, $within) ?? $within;
                [$link, $within] = [$leads, ''];
            }
            if ($piece !== null) {
                $within .= $piece['type'] === 'hardBreak' ? '<br>' : Marks::html($marks, self::escape($piece['text']));
            }
        }

        return $html;
    }

    /** An element; nothing where nothing is in it. */
    public function element(string $name, string $attributes, string $inner): string
    {
        return $inner === '' ? '' : "<$name$attributes>$inner</$name>";
    }

    /**
     * What is linked, or null where the link leads nowhere that visitors can see.
     *
     * @param  array<string, mixed>  $link
     * @param  string  $inner  HTML
     */
    public function anchor(array $link, string $inner): ?string
    {
        $href = match (true) {
            isset($link['page']) => $this->sources->targets->addressOf($link['page']),
            isset($link['wanted']) => $this->sources->targets->addressOfWanted($link['wanted']),
            isset($link['file']) => $this->files->file($link['file'])?->address,
            default => $link['href'] ?? null,
        };
        if ($href === null) {
            return null;
        }
        $title = isset($link['title']) ? ' title="'.self::escape($link['title']).'"' : '';
        $window = isset($link['newWindow']) ? ' target="_blank" rel="noopener"' : '';

        return '<a href="'.self::escape($href.($link['rest'] ?? '')).'"'.$title.$window.'>'.$inner.'</a>';
    }

    /**
     * The picture itself, or null where there is none.
     *
     * @param  int  $share  % of the width of the content that it takes
     */
    public function image(string $file, string $alt, int $share = 100): ?string
    {
        $picture = $this->files->picture($file);

        return $picture === null
            ? null
            : sprintf(
                '<img src="%s"%s alt="%s" width="%d" height="%d" loading="lazy">',
                self::escape($picture->address),
                $picture->narrower === []
                    ? ''
                    : sprintf(
                        ' srcset="%s" sizes="(max-width: 800px) 100vw, %dpx"',
                        self::escape($picture->srcset()),
                        (self::CONTENT_WIDTH * $share) / 100,
                    ),
                self::escape($alt),
                $picture->width,
                $picture->height,
            );
    }

    /** A picture that leads to itself in full size; where scripts run, it opens above the page. */
    public function enlarged(string $file, string $image, string $alt): string
    {
        $picture = $this->files->picture($file);
        $label = $alt === '' ? ' aria-label="Larger picture"' : '';

        return $picture === null ? $image : '<a class="enlarge" href="'.self::escape($picture->address).'"'.$label.'>'.$image.'</a>';
    }
}
