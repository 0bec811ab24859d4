<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

/** Who asks, as far as counting needs to know: a program or a person, and from which host they came. Nothing of it tells who they are. */
final readonly class RequestOrigin
{
    /** Programs name themselves like this (RFC 9309, 2.2.1, and the habit of the trade). */
    private const BOT = '~(?<!cu)bot\b|(?<!cu)bot[/ ;)_-]|crawl|spider|slurp|archiver|fetch|monitor|preview|scan|curl/|wget/|python-|java/|go-http|okhttp|libwww|httpclient|headless|lighthouse|validator|axios|node-fetch|undici|facebookexternalhit|facebookcatalog|whatsapp|telegrambot|skypeuripreview|snapchat|embedly|feedreader|rssfeed|^$~i';

    /** Paths that only scanners ask for on a site that does not run on such programs. */
    private const NOISE = '~\.(?:php\d?|aspx?|jspx?|cgi|env|git|sql|bak|old|ini|ya?ml|log|zip|tar|gz|rar|7z|pem|key|sh|exe|dll)(?:$|[/.\x7E])|/(?:cgi-bin|\.[a-z]|vendor/|phpmyadmin|adminer|actuator|solr/|console/|owa/|ecp/|hudson|jenkins|telescope|_ignition|boaform|HNAP1|debug/|config\.)~i';

    /** @param  string  $referrer  host only; empty for none, and for the site itself */
    private function __construct(public bool $isBot, public string $referrer)
    {
    }

    /** @param  string  $host  of the site */
    public static function of(string $userAgent, string $referrer, string $host): self
    {
        $from = strtolower((string) (parse_url($referrer, PHP_URL_HOST) ?: ''));
        $from = strlen($from) > 120 || preg_match('/^[a-z0-9.\-\[\]:]*$/', $from) !== 1 ? '' : $from;

        return new self(preg_match(self::BOT, $userAgent) === 1, $from === strtolower($host) ? '' : $from);
    }

    /** Whether a path is asked for by scanners that look for weak spots, rather than by somebody who lost their way. */
    public static function isNoise(string $path): bool
    {
        return preg_match(self::NOISE, $path) === 1;
    }
}
