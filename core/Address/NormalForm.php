<?php

declare(strict_types=1);

namespace Heronstem\Core\Address;

/**
 * The one spelling under which an address is kept: what the URL standard's path parser leaves,
 * then repeated slashes folded, unreserved characters decoded and hex digits in upper case
 * (RFC 3986, 6.2.2), then the site's rules for trailing slash and suffix.
 * Applying it twice changes nothing.
 */
final class NormalForm
{
    /** The end of a last segment that names a file: it has a letter, so `v2.0` is none. */
    public const FILE_ENDING = '\.(?=[0-9]*[A-Za-z])[A-Za-z0-9]{1,8}';

    /** A path in which nothing is encoded, folded or relative: most that are stored, and not parsed for it. */
    private const PLAIN = '#^(?:/(?:[A-Za-z0-9_~-][A-Za-z0-9._~-]*)?)(?:/[A-Za-z0-9_~-][A-Za-z0-9._~-]*)*/?$#D';

    public static function of(string $path, AddressRules $rules): string
    {
        if (preg_match(self::PLAIN, $path) === 1 && ! str_starts_with($path, '//')) {
            return self::ended($path, $rules);
        }
        $path = UrlPath::parse($path);
        $path = (string) preg_replace('#/{2,}#', '/', $path);
        $path = self::decodeUnreserved($path);

        return self::ended($path, $rules);
    }

    /**
     * What two spellings of one address have in common; unique in a site's ledger.
     * Letters beyond ASCII compare as letters (NFC), and case is folded unless the site tells it apart.
     */
    public static function key(string $normal, AddressRules $rules): string
    {
        $key = str_contains($normal, '%') ? self::readable($normal) : $normal;
        if (preg_match('/[^\x00-\x7F]/', $key) !== 1) {
            return $rules->caseSensitive ? $key : strtolower($key);
        }
        $key = (string) \Normalizer::normalize($key, \Normalizer::FORM_C);
        if ($rules->caseSensitive) {
            return $key;
        }

        return (string) \Normalizer::normalize(mb_convert_case($key, MB_CASE_FOLD_SIMPLE, 'UTF-8'), \Normalizer::FORM_C);
    }

    /** The address with letters beyond ASCII as letters, for people to read. */
    public static function readable(string $normal): string
    {
        return (string) preg_replace_callback(
            '/(?:%[89A-F][0-9A-F])+/',
            static function (array $run): string {
                $bytes = rawurldecode($run[0]);

                return mb_check_encoding($bytes, 'UTF-8') ? $bytes : $run[0];
            },
            $normal,
        );
    }

    /** A piece of a path as it stands in a normal form: what may not stand there encoded, what need not be encoded not. */
    public static function piece(string $text): string
    {
        return self::decodeUnreserved(UrlPath::encode($text));
    }

    /** A path, or the key of one, without what the site puts at the end of every address. */
    public static function bare(string $path, AddressRules $rules): string
    {
        $bare = rtrim($path, '/');

        return $rules->suffix !== '' && str_ends_with($bare, $rules->suffix) ? substr($bare, 0, -strlen($rules->suffix)) : $bare;
    }

    private static function decodeUnreserved(string $path): string
    {
        // A stray "%" stays as the URL standard leaves it, unless decoding what follows would turn it
        // into a triplet that a second reading decoded again: then it is written as %25.
        $decoded = (string) preg_replace_callback(
            '/%([0-9A-Fa-f]{2})/',
            static function (array $triplet): string {
                $char = chr((int) hexdec($triplet[1]));

                return preg_match('/[A-Za-z0-9._~-]/', $char) === 1 ? "\0".$char : '%'.strtoupper($triplet[1]);
            },
            $path,
        );
        if (! str_contains($decoded, "\0")) {
            return $decoded;
        }
        $decoded = (string) preg_replace('/%(?=\0[0-9A-Fa-f]\0?[0-9A-Fa-f]|[0-9A-Fa-f]\0[0-9A-Fa-f])/', '%25', $decoded);

        return str_replace("\0", '', $decoded);
    }

    /** A path with what the site puts at the end of every address, but for files. */
    public static function ended(string $path, AddressRules $rules): string
    {
        if ($path === '/') {
            return $path;
        }
        $bare = rtrim($path, '/');

        return preg_match('/'.self::FILE_ENDING.'$/D', $bare) === 1 ? $bare : $bare.$rules->ending();
    }
}
