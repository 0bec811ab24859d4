<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

use Heronstem\Core\Address\InvalidSlug;
use Heronstem\Core\Address\Slug;
use Heronstem\Core\Address\SlugMaker;
use Heronstem\Core\OneLine;
use Heronstem\Core\Tree\PageName;

/** Names out of slugs, and slugs out of what addresses have for segments. */
final readonly class SlugName
{
    public function __construct(private SlugMaker $maker)
    {
    }

    /** A name that a segment suggests: `about_us` gives “About us”. */
    public static function of(string $segment): string
    {
        $words = OneLine::typed((string) preg_replace('/[-_+.]+/', ' ', $segment));
        $name = $words === '' ? 'Page' : mb_strtoupper(mb_substr($words, 0, 1)).mb_substr($words, 1);

        return mb_substr($name, 0, PageName::MAX_LENGTH);
    }

    /** The segment itself where a slug can be that, so that its address stays; else one made of it. */
    public function slug(string $segment): Slug
    {
        try {
            return Slug::of($segment);
        } catch (InvalidSlug) {
            return $this->maker->make($segment);
        }
    }
}
