<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Desk\TakeOut\AsksSite;
use App\Desk\TakeOut\SiteAnswer;
use App\Models\Site;
use Illuminate\Http\Request;

/** Asks the front controller itself, so that what is taken out is what visitors get. */
final readonly class AskAsVisitor implements AsksSite
{
    public function __construct(private FrontController $front)
    {
    }

    public function ask(Site $site, string $address): SiteAnswer
    {
        $request = Request::create($site->origin.$address, 'GET', server: ['HTTP_USER_AGENT' => 'heronstem-export bot']);
        $response = $this->front->answer($request, $site);
        ob_start();
        $response->sendContent();
        $body = (string) ob_get_clean();

        return new SiteAnswer(
            $response->getStatusCode(),
            (string) $response->headers->get('Content-Type'),
            $body,
            $response->headers->get('Location'),
            $response->headers->hasCacheControlDirective('no-store'),
        );
    }
}
