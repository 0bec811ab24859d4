<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Interchange\Server\ApacheFile;
use Heronstem\Core\Interchange\Server\KeptRules;
use Heronstem\Core\Interchange\Server\NginxFile;

/**
 * Redirects in a file of any kind that is known: a table (CSV, JSON Lines, or two columns with spaces between, as for RewriteMap),
 * or configuration of a web server. What Heronstem wrote for a web server keeps the rules themselves, and they alone are read.
 */
final readonly class RedirectFile
{
    private const APACHE = '/^[ \t]*(?:Redirect(?:Match|Permanent|Temp)?|RewriteRule|RewriteEngine)[ \t]+\S/mi';

    private const NGINX = '/^[ \t]*(?:rewrite[ \t]+\S+[ \t]+\S+[^;\n]*;|return[ \t]+\d{3}\b[^;\n]*;|location[ \t][^{\n]*\{|map[ \t]+\S+[ \t]+\$\w+[ \t]*\{)/m';

    /** Bytes: it is taken apart whole. */
    private const MAX_CONFIGURATION_LENGTH = 4_000_000;

    /** @return iterable<int, array<string, string>> fields by the number of the line they begin on; `refused` says why one is no rule */
    public static function rows(string $text): iterable
    {
        $kept = str_contains($text, '#= ') ? KeptRules::in($text) : [];
        if ($kept !== []) {
            foreach ($kept as $line => $row) {
                foreach (Table::rows($row) as $fields) {
                    yield $line => $fields;
                }
            }

            return;
        }
        $isServers = preg_match(self::APACHE, $text) === 1 || preg_match(self::NGINX, $text) === 1;
        if ($isServers && strlen($text) > self::MAX_CONFIGURATION_LENGTH) {
            throw new InputRefused(
                'text',
                sprintf(
                    'Configuration of a web server is read up to %d MB. Import it in parts, or as a table.',
                    self::MAX_CONFIGURATION_LENGTH / 1_000_000,
                ),
            );
        }
        yield from match (true) {
            preg_match(self::APACHE, $text) === 1 => ApacheFile::rows($text),
            preg_match(self::NGINX, $text) === 1 => NginxFile::rows($text),
            self::isSpaced($text) => self::spaced($text),
            default => Table::rows($text),
        };
    }

    /** Whether every line is an address and where it leads, with spaces between. */
    private static function isSpaced(string $text): bool
    {
        $lines = array_slice(
            array_values(
                array_filter(explode("\n", substr($text, 0, 4000)), static fn (string $line): bool => preg_match('/^\s*(?:#|$)/', $line) !== 1),
            ),
            0,
            20,
        );

        return $lines !== [] &&
            array_filter($lines, static fn (string $line): bool => preg_match('#^/[^\s,;|]*[ ]+(?:/|https?://)\S*\s*$#i', $line) !== 1) === [];
    }

    /** @return iterable<int, array<string, string>> */
    private static function spaced(string $text): iterable
    {
        foreach (TableText::textLines($text) as $n => [$line]) {
            if (preg_match('/^\s*(?:#|$)/', $line) !== 1) {
                [$source, $target] = [...preg_split('/\s+/', trim($line), 2) ?: [], ''];
                yield $n => ['source' => $source, 'target' => $target];
            }
        }
    }
}
