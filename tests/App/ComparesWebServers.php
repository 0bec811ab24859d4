<?php

declare(strict_types=1);

namespace Tests\App;

use App\Desk\ExportRedirects;
use App\Desk\Resolvers;
use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Interchange\Server\NginxRules;
use Heronstem\Core\Redirect\Hop;
use Illuminate\Support\Facades\DB;

/** Of tests that give the exports of a site to real web servers and ask them what the site answers. */
trait ComparesWebServers
{
    /** @param  list<string>  $asked */
    private function assertWebServersAnswerAlike(array $asked): void
    {
        $this->site->refresh();
        $resolver = app(Resolvers::class)->for($this->site);
        $pages = array_fill_keys(
            array_column(DB::select("select key from ledger where site_id = ? and kind in ('page', 'also')", [$this->site->id]), 'key'),
            true,
        );
        $expected = $why = [];
        foreach ($asked as $address) {
            $way = $resolver->resolve($address);
            // An address of a page, in whatever spelling, is left to whatever answers for pages, as a pause page is.
            $isLeft = $way->rules() === [] && isset($pages[NormalForm::key($way->normal, $this->site->rules())]);
            $expected[$address] =
                $way->sendsWith() !== null && ! $isLeft ? [$way->sendsWith(), $way->location] : [$way->status === 410 ? 410 : 404, ''];
            $why[$address] = implode(' | ', array_map(static fn (Hop $hop): string => $hop->why, $way->hops));
        }
        $export = app(ExportRedirects::class);
        $kept = [...$export->kept($this->site)];
        $apache = $export->apache($this->site);
        foreach (
            [
                'nginx' => fn (): WebServer => WebServer::nginx($export->nginx($this->site)->maps($kept), NginxRules::server()),
                'apache' => static fn (): WebServer => WebServer::apache(
                    $apache->map($kept),
                    static fn (string $map): string => $apache->rules($map, $kept),
                ),
            ] as $name => $start
        ) {
            $server = $start();
            try {
                $answers = $server->answers($asked);
            } finally {
                $server->stop();
            }
            $differing = array_filter($asked, static fn (string $address): bool => $answers[$address] !== $expected[$address]);
            self::assertSame(
                [],
                array_map(
                    static fn (string $address): array => [$address, $expected[$address], $answers[$address], $why[$address]],
                    array_slice(array_values($differing), 0, (int) (getenv('SHOWN') ?: 10)),
                ),
                count($differing).' of '.count($asked)." differ with $name",
            );
        }
    }
}
