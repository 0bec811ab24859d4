<?php

declare(strict_types=1);

namespace App\Desk\Design;

use App\Models\Page;
use App\Models\Site;
use Heronstem\Core\Content\Code\HeadLines;
use Heronstem\Core\Content\Code\ScopedStyles;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\Code;
use Illuminate\Contracts\Cache\Repository as Cache;

/** What the owner of a site wrote by hand, as it stands in the head of a page. */
final readonly class ShowCode
{
    public function __construct(private Cache $cache)
    {
    }

    /** @return array{styles: string, head: HeadLines} */
    public function of(Page $page, Site $site): array
    {
        $code = Code::stored($page->code);

        return [
            'styles' => $code->styles === '' ? '' : $this->styles($code->styles),
            'head' => self::lines($site->searchSettings()->head)->and(self::lines($code->head)),
        ];
    }

    private function styles(string $styles): string
    {
        return (string) $this->cache->rememberForever('styles:'.sha1($styles), static function () use ($styles): string {
            try {
                return ScopedStyles::of($styles);
            } catch (InputRefused) {
                // What was taken by an earlier rule and is not by this one has no effect, rather than one that nobody checked.
                return '';
            }
        });
    }

    private static function lines(string $head): HeadLines
    {
        try {
            return HeadLines::of($head);
        } catch (InputRefused) {
            return HeadLines::of('');
        }
    }
}
