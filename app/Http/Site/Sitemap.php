<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Desk\WriteSitemap;
use App\Models\Site;
use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\Response as AnyResponse;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** `/sitemap.xml`: an index of parts where there are more than one part holds. */
final readonly class Sitemap
{
    public function __construct(private WriteSitemap $sitemap)
    {
    }

    public function respond(string $address, Site $site): AnyResponse
    {
        $part = preg_match('/-(\d{1,6})\.xml$/', $address, $found) === 1 ? (int) $found[1] : 0;
        $pieces = $this->sitemap->pieces($site, $part);
        if ($pieces === null) {
            return new Response('There is no such part of the sitemap.', 404, ['Content-Type' => 'text/plain; charset=utf-8']);
        }

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
}
