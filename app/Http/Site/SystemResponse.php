<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Models\Site;
use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\Response as AnyResponse;

/** What answers at addresses that belong to the system: robots.txt, the site's sign, the sitemap. */
final readonly class SystemResponse
{
    public function __construct(private Sitemap $sitemap)
    {
    }

    public function respond(string $address, Site $site): AnyResponse
    {
        return match ($address) {
            '/robots.txt' => new Response($site->robotsTxt(), 200, [
                'Content-Type' => 'text/plain; charset=utf-8',
            ]),
            '/favicon.ico' => new Response((string) file_get_contents(resource_path('css/mark.svg')), 200, [
                'Content-Type' => 'image/svg+xml',
                'Cache-Control' => 'public, max-age=86400',
            ]),
            default => $this->sitemap->respond($address, $site),
        };
    }
}
