<?php

declare(strict_types=1);

namespace App\Console;

use App\Desk\ExportRedirects;
use App\Desk\RedirectFormat;
use App\Desk\TakeOut\SiteFormat;
use App\Desk\TakeOut\TakeOut;
use App\Models\Page;
use App\Models\Site;
use Illuminate\Console\Command;
use Symfony\Component\Console\Output\OutputInterface;

/** A site, a branch of it, or its redirects as a file: for whoever goes elsewhere with it, or gives it to a web server from time to time. */
final class Export extends Command
{
    use NamesSite;

    protected $signature = 'heronstem:export
        {format : site-json, site-csv, site-xlsx, site-html, markdown, opml or sitemap; of redirects csv, jsonl, nginx-maps, nginx-server, apache-map or apache-rules}
        {--site= : key of the site}
        {--branch= : address of the page whose branch goes out}
        {--map= : where Apache finds the table}';

    protected $description = 'Write a site, or its redirects, as a file';

    public function handle(TakeOut $sites, ExportRedirects $redirects): int
    {
        $site = $this->site();
        $format = (string) $this->argument('format');
        $pieces = match (true) {
            $site === null => null,
            SiteFormat::tryFrom($format) !== null => $this->ofSite($sites, $site, SiteFormat::from($format)),
            RedirectFormat::tryFrom($format) !== null => $this->ofRedirects($redirects, $site, RedirectFormat::from($format)),
            default => $this->fault('A format is one of '.SiteFormat::names().', '.RedirectFormat::names().'.'),
        };
        foreach ($pieces ?? [] as $piece) {
            $this->output->write($piece, false, OutputInterface::OUTPUT_RAW);
        }

        return $pieces === null ? self::FAILURE : self::SUCCESS;
    }

    /** @return iterable<string>|null */
    private function ofSite(TakeOut $sites, Site $site, SiteFormat $format): ?iterable
    {
        $address = $this->option('branch');
        if (! is_string($address) || $address === '') {
            return $sites->pieces($site, $format);
        }
        $branch = Page::query()->where('site_id', $site->id)->where('state', '<>', 'bin')->where('address', $address)->first();

        return $branch === null ? $this->fault("There is no page at $address.") : $sites->pieces($site, $format, $branch);
    }

    /** @return iterable<string> */
    private function ofRedirects(ExportRedirects $redirects, Site $site, RedirectFormat $format): iterable
    {
        $map = $this->option('map');

        return $redirects->pieces($site, $format, ...is_string($map) && $map !== '' ? [$map] : []);
    }

    private function fault(string $why): null
    {
        $this->error($why);

        return null;
    }
}
