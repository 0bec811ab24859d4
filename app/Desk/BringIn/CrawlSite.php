<?php

declare(strict_types=1);

namespace App\Desk\BringIn;

use App\Desk\Outside\OutsideClient;
use App\Desk\Outside\OutsideDocument;
use App\Models\SiteImport;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Interchange\Pages\RelativeAddress;
use Heronstem\Core\Search\RobotsTxt;
use ZipArchive;

/**
 * Reads the living old site, as a polite visitor: what its robots.txt allows (RFC 9309), one request at a time with a pause between,
 * on its own host alone, and no longer than somebody wants it. What is read is kept as a folder of saved pages.
 */
final readonly class CrawlSite
{
    /** By which the site knows who asks. */
    private const AGENT = 'Heronstem';

    private const MAX_PAGES = 2000;

    private const MAX_FILES = 4000;

    private const MAX_BYTES = 3_000_000;

    private const MAX_FILE_BYTES = 16_000_000;

    /** Faults in a row after which the site is left alone. */
    private const MAX_FAULTS = 10;

    private const PAGE_LINK = '/<a\b[^>]*?\bhref\s*=\s*(?:"([^"]*)"|\'([^\']*)\'|([^\s>]+))/i';

    private const FILE_LINK = '/<img\b[^>]*?\bsrc\s*=\s*(?:"([^"]*)"|\'([^\']*)\'|([^\s>]+))/i';

    private const FILE = '/\.(?:png|jpe?g|gif|webp|svg|pdf|csv|txt|ics|gpx|docx|xlsx|odt|ods|epub)$/i';

    /** What is neither a page nor a file that is served. */
    private const OTHER = '/\.(?:css|js|mjs|json|xml|rss|ico|woff2?|ttf|zip|exe|dmg|mp3|mp4|webm|avi|mov)$/i';

    public function __construct(private OutsideClient $client, private GivenLines $lines)
    {
    }

    /** @throws InputRefused where it cannot be read, or its robots.txt shuts everybody out */
    public function read(SiteImport $import, string $start): void
    {
        $origin = self::origin($start);
        $robots = RobotsTxt::parse((string) $this->client->read("$origin/robots.txt", RobotsTxt::MAX_BYTES));
        $path = (string) tempnam(sys_get_temp_dir(), 'heronstem-crawl');
        try {
            $zip = new ZipArchive();
            $zip->open($path, ZipArchive::CREATE | ZipArchive::OVERWRITE);
            $this->walk($import, $origin, substr($start, strlen($origin)) ?: '/', $robots, $zip);
            $zip->close();
            $bytes = fopen($path, 'rb') ?: throw new \RuntimeException('There is no room for a temporary file.');
            $this->lines->keep($import, $bytes);
        } finally {
            @unlink($path);
        }
    }

    private function walk(SiteImport $import, string $origin, string $first, RobotsTxt $robots, ZipArchive $zip): void
    {
        /** @var list<string> $pages addresses in the order in which they were found */
        $pages = [$first];
        $found = [$first => true];
        $files = $seen = [];
        /** @var array<string, array{address: string, former: list<string>}> $manifest */
        $manifest = [];
        $shut = $faults = 0;
        for ($n = 0; $n < count($pages) && count($manifest) < self::MAX_PAGES; $n++) {
            $address = $pages[$n];
            if (! $robots->verdict(self::AGENT, $address)->isAllowed) {
                $shut++;

                continue;
            }
            $this->guardWanted($import, count($manifest), count($pages));
            $read = $this->client->document($origin.$address, self::MAX_BYTES);
            $this->pause();
            $faults = $read === null ? $faults + 1 : 0;
            if ($faults >= self::MAX_FAULTS && $manifest === []) {
                break;
            }
            $at = $read === null || ! str_starts_with($read->at, "$origin/") ? null : substr($read->at, strlen($origin));
            if ($read === null || $at === null || ! $read->isHtml()) {
                continue;
            }
            $at = (string) preg_replace('/#.*$/', '', $at);
            if (isset($seen[$at])) {
                if ($at !== $address) {
                    ['address' => $of, 'former' => $former] = $manifest[$seen[$at]];
                    $manifest[$seen[$at]] = ['address' => $of, 'former' => [...$former, $address]];
                }

                continue;
            }
            $name = 'pages/'.count($manifest).'.html';
            $seen[$at] = $name;
            $manifest[$name] = ['address' => $at, 'former' => $at === $address ? [] : [$address]];
            $zip->addFromString($name, $read->body);
            foreach ($this->links($read, $origin, $files) as $to) {
                if (! isset($found[$to]) && count($pages) < 4 * self::MAX_PAGES) {
                    $found[$to] = true;
                    $pages[] = $to;
                }
            }
        }
        if ($manifest === []) {
            throw new InputRefused('address', $shut > 0 ? 'The robots.txt of this site keeps everybody out. Ask whoever runs it, or give saved pages instead.' : 'Nothing that is a page answers there.');
        }
        $this->files($import, array_keys($files), $origin, $robots, $zip);
        $zip->addFromString(ReadSource::MANIFEST, json_encode($manifest, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES));
    }

    /**
     * @param  array<string, true>  $files  to which those that the page names are added
     * @return iterable<string> addresses of pages on the same host
     */
    private function links(OutsideDocument $read, string $origin, array &$files): iterable
    {
        preg_match_all(self::PAGE_LINK, $read->body, $links, PREG_SET_ORDER);
        preg_match_all(self::FILE_LINK, $read->body, $pictures, PREG_SET_ORDER);
        foreach ([...$links, ...$pictures] as $link) {
            $written = trim(html_entity_decode(implode('', array_slice($link, 1)), ENT_QUOTES | ENT_HTML5));
            $to = (string) preg_replace('/#.*$/s', '', RelativeAddress::resolved($written, $read->at));
            if (! str_starts_with($to, "$origin/") || strlen($to) > 2000) {
                continue;
            }
            $address = substr($to, strlen($origin));
            $path = (string) strtok($address, '?');
            if (preg_match(self::FILE, $path) === 1) {
                $files[$path] = true;
            } elseif (preg_match(self::OTHER, $path) !== 1 && ! str_contains($address, '?')) {
                // What is behind a query is the same page again, more often than not.
                yield $address;
            }
        }
    }

    /** @param  list<int|string>  $addresses */
    private function files(SiteImport $import, array $addresses, string $origin, RobotsTxt $robots, ZipArchive $zip): void
    {
        foreach (array_slice($addresses, 0, self::MAX_FILES) as $address) {
            $address = (string) $address;
            if (! $robots->verdict(self::AGENT, $address)->isAllowed) {
                continue;
            }
            $this->guardWanted($import, null, null);
            $read = $this->client->document($origin.$address, self::MAX_FILE_BYTES);
            $this->pause();
            if ($read !== null && ! $read->isHtml()) {
                $zip->addFromString(ltrim(rawurldecode($address), '/'), $read->body);
            }
        }
    }

    /** @throws InputRefused where somebody stopped it */
    private function guardWanted(SiteImport $import, ?int $done, ?int $total): void
    {
        $goesOn = SiteImport::query()->whereKey($import->id)->where('state', 'reading')->update(['updated_at' => now(), ...$done === null ? [] : ['done' => $done, 'total' => $total]]);
        if ($goesOn === 0) {
            throw new InputRefused('address', 'Reading was stopped.');
        }
    }

    private function pause(): void
    {
        usleep(1000 * (int) config('heronstem.crawl_pause'));
    }

    private static function origin(string $url): string
    {
        preg_match('#^https?://[^/?\#]+#i', $url, $of);

        return strtolower($of[0] ?? '');
    }
}
