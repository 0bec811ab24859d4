<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\Response as AnyResponse;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** An answer with everything it says read already, for what is taken back once it is answered. */
final class WholeAnswer
{
    public static function of(AnyResponse $response): AnyResponse
    {
        if (! $response instanceof StreamedResponse) {
            return $response;
        }
        ob_start();
        $response->sendContent();

        return new Response((string) ob_get_clean(), $response->getStatusCode(), $response->headers->all());
    }
}
