<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange\Pages;

use Heronstem\Core\Address\UrlPath;
use Heronstem\Core\InputRefused;

/** An address as a source writes it, taken apart: the host that it names, the path, and where in a tree that stands. */
final readonly class WrittenAddress
{
    /** Last segments that stand for the folder they are in, as web servers are usually set up. */
    private const INDEX = '/^(?:index|default|home|welcome)\.(?:x?html?|s?html|php\d?|aspx?|jsp|cgi|cfm)$/i';

    /** Endings that say how a page is made, rather than what it is. */
    private const ENDING = '/\.(?:x?html?|s?html|php\d?|aspx?|jspx?|cgi|cfm|md)$/i';

    /**
     * @param  string|null  $host  in lower case; null where it names none
     * @param  string  $path  as it is written, without query and fragment
     * @param  list<string>  $segments  decoded where they are UTF-8; without index files and endings; none for the start page
     * @param  string  $query  without `?`
     */
    private function __construct(public ?string $host, public string $path, public array $segments, public string $query)
    {
    }

    /** @throws InputRefused where it is none */
    public static function read(string $written): self
    {
        $written = trim($written);
        $host = null;
        $rest = $written;
        if (preg_match('#^(?:(https?):)?//([^/?\#]*)(.*)$#isD', $written, $of) === 1) {
            $host = strtolower((string) preg_replace('/^[^@]*@|:(?:80|443)$/', '', $of[2]));
            $rest = $of[3];
        } elseif (preg_match('/^[a-z][a-z0-9+.-]*:/i', $written) === 1) {
            throw new InputRefused('address', 'This is not the address of a page: it begins with neither / nor http.');
        }
        $rest = (string) preg_replace('/#.*$/sD', '', $rest);
        [$path, $query] = [...explode('?', $rest, 2), ''];
        $path = UrlPath::parse($path);
        if (strlen($path) > 2000) {
            throw new InputRefused('address', 'This address is longer than 2,000 characters.');
        }

        return new self($host, $path, self::segments($path), $query);
    }

    /** @return list<string> */
    private static function segments(string $path): array
    {
        $segments = array_values(array_filter(explode('/', $path), static fn (string $segment): bool => $segment !== ''));
        $last = array_pop($segments);
        if ($last !== null && preg_match(self::INDEX, $last) !== 1) {
            $bare = (string) preg_replace(self::ENDING, '', $last);
            $segments[] = $bare === '' ? $last : $bare;
        }

        return array_map(static function (string $segment): string {
            $decoded = rawurldecode($segment);

            return mb_check_encoding($decoded, 'UTF-8') ? $decoded : $segment;
        }, $segments);
    }
}
