<?php

declare(strict_types=1);

namespace App\Desk\Cache;

use App\Models\Site;
use App\Store\MadeOf;
use App\Store\NextMoment;
use App\Store\PageCache;

/** Has something rendered be kept by this node until something that it is made of changes, or something on the site begins or ends by itself. */
final readonly class KeepPages
{
    public function __construct(private PageCache $cache, private NextMoment $next)
    {
    }

    /**
     * Whether it is this request that renders the page, of those who ask for it at this moment.
     *
     * @param  int  $asked  when the web server did not have it, in seconds since 1970; 0 where nobody said
     */
    public function isForThis(string $key, int $asked): bool
    {
        $node = Node::here();

        return $node->folder === null || $asked === 0 || OneRenders::isThis($node, $key, $asked);
    }

    /**
     * @template T
     *
     * @param  string  $key  under which the node would keep it
     * @param  \Closure(): T  $render
     * @param  \Closure(T): bool  $isForAll  whether what came of it may be kept for others
     * @return array{T, int} what came of it, and for how many seconds it may be kept at the longest; 0 for not at all
     */
    public function around(Site $site, string $key, \Closure $render, \Closure $isForAll): array
    {
        $node = Node::here();
        if ($node->folder === null) {
            return [$render(), 0];
        }
        $mark = $this->cache->mark();
        [$rendered, $parts] = MadeOf::noting($render);
        $seconds = $isForAll($rendered) ? max(0, $this->next->of($site) - now()->getTimestamp() - 1) : 0;

        return [$rendered, $seconds > 0 && $this->cache->keep($node->name, $key, $site, $parts, $mark) ? $seconds : 0];
    }
}
