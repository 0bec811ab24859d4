<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

/**
 * What search engines are told of addresses that came, changed or went, and what their answers mean.
 *
 * @see https://www.indexnow.org/documentation
 */
final class IndexNow
{
    /** Most addresses of one message. */
    public const MAX_ADDRESSES = 10_000;

    /** Seconds to the next try after so many tries; after the last of them it is given up. */
    private const WAITS = [1 => 60, 2 => 600, 3 => 3600, 4 => 6 * 3600, 5 => 24 * 3600];

    /** Longest wait that an engine may ask for, seconds. */
    private const MAX_WAIT = 48 * 3600;

    /**
     * @param  string  $key  of the site, 8 to 128 letters, digits and hyphens, which `keyLocation` answers with
     * @param  list<string>  $addresses  of the site, each once, at most MAX_ADDRESSES
     * @return array{host: string, key: string, keyLocation: string, urlList: list<string>} sent as JSON
     */
    public static function message(string $origin, string $key, array $addresses): array
    {
        $host = (string) parse_url($origin, PHP_URL_HOST);
        $port = parse_url($origin, PHP_URL_PORT);

        return [
            'host' => is_int($port) ? "$host:$port" : $host,
            'key' => $key,
            'keyLocation' => $origin.self::keyAddress($key),
            'urlList' => array_map(static fn (string $address): string => $origin.$address, $addresses),
        ];
    }

    /** Where the key of a site is read. */
    public static function keyAddress(string $key): string
    {
        return "/$key.txt";
    }

    /**
     * @param  int|null  $status  of the answer; null where there was none
     * @param  int  $tries  up to and with this one
     * @param  int|null  $retryAfter  seconds that the engine asks to wait
     */
    public static function after(?int $status, int $tries, ?int $retryAfter = null): MessageFate
    {
        return match (true) {
            $status === 200 => MessageFate::taken('Taken.'),
            $status === 202 => MessageFate::taken('Taken; the key is still being looked at.'),
            $status === 400 => MessageFate::refused('The engine cannot read the message (400).'),
            $status === 403 => MessageFate::refused('The engine did not find the key at its address (403).'),
            $status === 422 => MessageFate::refused('Addresses and key do not belong to the same host (422).'),
            $status === 429 => self::again('The engine asks to be told less often (429).', $tries, $retryAfter),
            $status === null => self::again('The engine cannot be reached.', $tries, null),
            $status >= 500 => self::again("The engine has a fault ($status).", $tries, $retryAfter),
            default => MessageFate::refused("The engine refuses the message ($status)."),
        };
    }

    private static function again(string $says, int $tries, ?int $retryAfter): MessageFate
    {
        $wait = self::WAITS[$tries] ?? null;

        return $wait === null
            ? MessageFate::refused("$says Given up after $tries tries.")
            : MessageFate::later($says, max($wait, min($retryAfter ?? 0, self::MAX_WAIT)));
    }
}
