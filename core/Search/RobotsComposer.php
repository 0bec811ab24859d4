<?php

declare(strict_types=1);

namespace Heronstem\Core\Search;

use Heronstem\Core\InputRefused;

/** Writes a robots.txt: the lines that somebody set, a group for all crawlers where there is none, and where the sitemap is. */
final class RobotsComposer
{
    /** Most lines that somebody may set, in bytes. */
    public const MAX_BYTES = 100_000;

    /** @param  string  $lines  as guard() lets them in; empty for none */
    public static function compose(string $lines, string $sitemap): string
    {
        $said = trim($lines) === '' ? '' : rtrim($lines)."\n\n";
        $forAll = isset(RobotsTxt::parse($lines)->groups['*']) ? '' : "User-agent: *\nDisallow:\n\n";

        return $said.$forAll."Sitemap: $sitemap\n";
    }

    /**
     * @return string the lines with one kind of line break
     *
     * @throws InputRefused naming the line that no crawler reads, or when there are too many
     */
    public static function guard(string $lines): string
    {
        $lines = rtrim((string) preg_replace('/\r\n?/', "\n", $lines));
        if (strlen($lines) > self::MAX_BYTES) {
            throw new InputRefused('robots', sprintf('At most %d bytes fit here; these are %d.', self::MAX_BYTES, strlen($lines)));
        }
        if (preg_match('/[\x00-\x08\x0B\x0C\x0E-\x1F\x7F]/', $lines) === 1) {
            throw new InputRefused('robots', 'These lines contain a control character. Type them again.');
        }
        foreach (RobotsTxt::parse($lines)->unread as $number => $line) {
            throw new InputRefused(
                'robots',
                "No crawler reads line $number, “".mb_substr($line, 0, 80).'”. A line begins with User-agent:, Allow:, Disallow: or Sitemap:, and rules stand below a User-agent.',
            );
        }

        return $lines;
    }

    /** Whether these lines keep every crawler away from the whole site. */
    public static function shutsOutAll(string $lines): bool
    {
        return ! RobotsTxt::parse($lines)->verdict('*', '/')->isAllowed;
    }
}
