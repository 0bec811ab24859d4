<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Models\Site;
use Heronstem\Core\Search\SitemapEntry;
use Heronstem\Core\Search\SitemapWriter;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\Response as AnyResponse;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** `/sitemap.xml`: the live, listed pages; an index of parts where there are more than one part holds. */
final readonly class Sitemap
{
    private const LISTED = "from pages p where p.site_id = ? and is_visible(p.state, p.from_at, p.until_at) and p.listed and p.indexed and p.kind in ('page', 'download')";

    public function __construct(private ConnectionInterface $db, private SitemapWriter $writer)
    {
    }

    public function respond(string $address, Site $site): AnyResponse
    {
        $part = preg_match('/-(\d+)\.xml$/', $address, $found) === 1 ? (int) $found[1] : 0;
        $count = (int) $this->db->selectOne('select count(*) as n '.self::LISTED, [$site->id])->n;
        $parts = (int) ceil($count / SitemapWriter::PART);
        if ($part > $parts || ($part > 0 && $parts === 1)) {
            return new Response('There is no such part of the sitemap.', 404, ['Content-Type' => 'text/plain; charset=utf-8']);
        }
        $pieces =
            $part === 0 && $parts > 1
                ? $this->writer->index($this->parts($site, $parts))
                : $this->writer->part($this->entries($site, max(0, $part - 1)));

        return new StreamedResponse(
            function () use ($pieces): void {
                foreach ($pieces as $piece) {
                    echo $piece;
                }
            },
            200,
            ['Content-Type' => 'application/xml; charset=utf-8'],
        );
    }

    /** @return \Generator<int, SitemapEntry> */
    private function entries(Site $site, int $part): \Generator
    {
        foreach (
            $this->db->cursor('select p.address, p.updated_at '.self::LISTED.' order by p.id limit ? offset ?', [
                $site->id,
                SitemapWriter::PART,
                $part * SitemapWriter::PART,
            ]) as $row
        ) {
            yield new SitemapEntry($site->origin.$row->address, new \DateTimeImmutable($row->updated_at));
        }
    }

    /** @return \Generator<int, SitemapEntry> */
    private function parts(Site $site, int $parts): \Generator
    {
        $changed = new \DateTimeImmutable($this->db->selectOne('select max(p.updated_at) as at '.self::LISTED, [$site->id])->at);
        for ($part = 1; $part <= $parts; $part++) {
            yield new SitemapEntry("{$site->origin}/sitemap-$part.xml", $changed);
        }
    }
}
