<?php

declare(strict_types=1);

namespace App\Http;

use Heronstem\Core\InputRefused;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Http\Exceptions\HttpResponseException;
use Illuminate\Http\Response;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;

/** What is shown in place of a page when something fails: plain words, and nothing that needs the database. */
final class PlainPage
{
    /** Seconds after which to try again while the database is away. */
    private const AGAIN = 10;

    public static function from(\Throwable $error): ?Response
    {
        if ($error instanceof InputRefused) {
            return self::of(422, 'Not possible like this', $error->reason);
        }
        if (config('app.debug') || $error instanceof HttpResponseException || $error instanceof AuthenticationException) {
            return null;
        }

        return match (true) {
            DatabaseAway::isMeantBy($error) => self::of(
                503,
                'Not available at this moment',
                'The pages cannot be read just now. This passes by itself: try again in a moment.',
            )->header('Retry-After', (string) self::AGAIN),
            $error instanceof HttpExceptionInterface => self::http($error),
            default => self::of(
                500,
                'Something went wrong here',
                'This page could not be shown. Try again; if it stays like this, tell whoever runs the site.',
            ),
        };
    }

    public static function of(int $status, string $title, string $words): Response
    {
        $html =
            '<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><meta name="robots" content="noindex"><title>'.
            e($title).
            '</title>'.
            '<style>body{font:1.125rem/1.5 system-ui,sans-serif;max-width:34rem;margin:15vh auto;padding:0 1.5rem;color:#1c2733;background:#faf8f3}h1{font-size:1.6rem;line-height:1.2}</style></head>'.
            '<body><main><h1>'.
            e($title).
            '</h1><p>'.
            e($words).
            '</p></main></body></html>';

        return new Response($html, $status, [
            'Content-Type' => 'text/html; charset=utf-8',
            'Cache-Control' => 'no-store',
            'X-Content-Type-Options' => 'nosniff',
            'X-Robots-Tag' => 'noindex',
            'Content-Security-Policy' => "default-src 'none'; style-src 'unsafe-inline'; base-uri 'none'; frame-ancestors 'self'",
        ]);
    }

    private static function http(HttpExceptionInterface&\Throwable $error): Response
    {
        [$title, $words] = match ($error->getStatusCode()) {
            404 => ['There is nothing here', 'Check the address, or begin at the start.'],
            403 => ['Not yours to see', 'Sign in with an account that may see this.'],
            405 => ['Not possible like this', 'This address does not take that method.'],
            419 => ['Your session has ended', 'Go back, load the page again and sign in.'],
            429 => ['Too fast', 'Too many requests in a short time. Wait a minute and try again.'],
            default => ['Not possible like this', 'The request cannot be answered as it was sent.'],
        };
        $response = self::of($error->getStatusCode(), $title, $words);
        $response->headers->add(array_intersect_key($error->getHeaders(), ['Retry-After' => 1, 'Allow' => 1]));

        return $response;
    }
}
