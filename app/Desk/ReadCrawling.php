<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Site;
use App\Store\SitemapRows;
use Heronstem\Core\Search\RobotsComposer;
use Heronstem\Core\Search\RobotsTxt;
use Heronstem\Core\Search\SitemapWriter;
use Heronstem\Core\Visitors\Guest;

/** What crawlers are told of a site: its robots.txt with a tester, and its sitemap with what is left out of it. */
final readonly class ReadCrawling
{
    public function __construct(private SitemapRows $sitemap, private SeenBy $seen)
    {
    }

    /** @return array<string, mixed> */
    public function of(Site $site): array
    {
        return $this->seen->during(Guest::anybody(), $site, fn (): array => $this->forAnybody($site));
    }

    /** @return array<string, mixed> */
    private function forAnybody(Site $site): array
    {
        $entries = $this->sitemap->count($site);
        $leftOut = $this->sitemap->leftOut($site);
        $robots = RobotsTxt::parse($site->robotsTxt());
        $shut = [];
        foreach ($this->sitemap->first($site, 2000) as $address) {
            if (! $robots->verdict('*', $address)->isAllowed) {
                $shut[] = $address;
            }
        }

        return [
            'lines' => $site->searchSettings()->robots,
            'robots' => $site->robotsTxt(),
            'sitemap' => [
                'url' => "{$site->origin}/sitemap.xml",
                'entries' => $entries,
                'parts' => max(1, (int) ceil($entries / SitemapWriter::PART)),
                'leftOut' => $leftOut,
            ],
            'contradictions' => array_slice($shut, 0, 50),
        ];
    }

    /**
     * @param  string  $lines  as they are typed
     * @return array<string, mixed>
     */
    public function test(Site $site, string $lines, string $agent, string $address): array
    {
        $text = RobotsComposer::compose($lines, "{$site->origin}/sitemap.xml");
        $asked = $site->ownAddresses()->behindHost($address);
        $verdict = RobotsTxt::parse($text)->verdict($agent, str_starts_with($asked, '/') ? $asked : "/$asked");

        return [
            'robots' => $text,
            'isAllowed' => $verdict->isAllowed,
            'line' => $verdict->rule?->line,
            'rule' => $verdict->rule?->toLine(),
            'group' => $verdict->group,
            'shutsOutAll' => RobotsComposer::shutsOutAll($lines),
        ];
    }
}
