<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Models\Site;
use App\Store\StoredLinkTargets;
use App\Store\StoredPictures;
use Heronstem\Core\Content\HtmlRenderer;
use Heronstem\Core\Redirect\Resolution;
use Illuminate\Contracts\View\Factory as Views;
use Illuminate\Http\Response;

/** A page with a message that goes on by itself after some seconds, and by its link at once. Works without scripts; search engines do not list it. */
final readonly class PausePage
{
    public function __construct(private Views $views)
    {
    }

    /** @param  array<string, mixed>  $frame */
    public function respond(Resolution $resolution, Site $site, array $frame): Response
    {
        $message = $resolution->pause->message ?? throw new \LogicException('There is no pause to show.');
        $html = $this->views->make('site.pause', [
            ...$frame, 'seconds' => $resolution->pause->seconds, 'onward' => (string) $resolution->onward,
            'message' => (new HtmlRenderer(new StoredLinkTargets($message, $site), new StoredPictures($message, $site)))->render($message),
        ])->render();

        return new Response($html, 200, ['Content-Type' => 'text/html; charset=utf-8', 'Cache-Control' => 'no-cache', 'X-Robots-Tag' => 'noindex', 'Refresh' => "{$resolution->pause->seconds}; url={$resolution->onward}"]);
    }
}
