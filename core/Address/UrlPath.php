<?php

declare(strict_types=1);

namespace Heronstem\Core\Address;

/**
 * The path parser of the URL standard, for an http URL.
 *
 * @see https://url.spec.whatwg.org/#path-start-state
 */
final class UrlPath
{
    /** C0 control, space, `"#<>?^`{}`, DEL and everything beyond: the path percent-encode set. */
    private const ENCODED = '/[\x00-\x20"#<>?^`{}\x7F-\xFF]/';

    private const ONE_DOT = ['.', '%2e'];

    private const TWO_DOTS = ['..', '.%2e', '%2e.', '%2e%2e'];

    /**
     * The path as a URL parser leaves it: dot segments resolved, `\` read as `/`,
     * what may not stand in a path percent-encoded. Always begins with `/`.
     *
     * @param  string  $path  without query and fragment
     */
    public static function parse(string $path): string
    {
        $path = str_replace(["\t", "\n", "\r"], '', $path);
        $path = str_replace('\\', '/', $path);
        $segments = explode('/', str_starts_with($path, '/') ? substr($path, 1) : $path);
        $last = count($segments) - 1;
        $kept = [];
        foreach ($segments as $i => $segment) {
            $lower = strtolower($segment);
            if (in_array($lower, self::TWO_DOTS, true)) {
                array_pop($kept);
                $segment = '';
            } elseif (in_array($lower, self::ONE_DOT, true)) {
                $segment = '';
            } else {
                $kept[] = self::encode($segment);

                continue;
            }
            if ($i === $last) {
                $kept[] = $segment;
            }
        }

        return '/'.implode('/', $kept);
    }

    /** Percent-encodes what may not stand in a path; `%` and `/` are left as they are. */
    public static function encode(string $text): string
    {
        return (string) preg_replace_callback(self::ENCODED, static fn (array $found): string => sprintf('%%%02X', ord($found[0])), $text);
    }
}
