<?php

declare(strict_types=1);

namespace App\Short;

use App\Store\WholeFile;
use Heronstem\Core\Address\NormalForm;

/**
 * What stands where nothing is, kept rendered for each site with room for the address: it is asked for more often by scanners than by
 * people, and costs next to nothing.
 */
final readonly class MissedPages
{
    /** Where the address stands in what is kept: as text, and within a link. */
    public const ADDRESS = 'heronstem-address-as-text';

    public const IN_LINK = 'heronstem-address-in-a-link';

    /** @param  string|null  $folder  of the web server of this node; null where there is none */
    public function __construct(private ?string $folder)
    {
    }

    /** Where it is kept; null where nothing is. @param  int  $status  404 or 410 */
    public function file(int $site, int $status): ?string
    {
        return $this->folder === null ? null : "{$this->folder}/missed/$site-$status.html";
    }

    /** The page for an address; null where it has to be rendered. */
    public function kept(int $site, int $status, string $address, int $now): ?string
    {
        $file = $this->file($site, $status);
        $kept = $file === null ? false : @file_get_contents($file);
        if ($kept === false) {
            return null;
        }
        // How long it is stands with it: a machine that loses its power may leave half of it.
        [$until, $length, $html] = explode("\n", $kept, 3) + ['', '', ''];

        return (int) $until > $now && (int) $length === strlen($html) ? self::at($address, $html) : null;
    }

    /** @param  int  $until  when it has to be rendered anew, in seconds since 1970 */
    public function keep(string $file, string $html, int $until): void
    {
        is_dir(dirname($file)) || @mkdir(dirname($file), 0750, true);
        WholeFile::put($file, "$until\n".strlen($html)."\n$html");
    }

    /** The page for an address. */
    public static function at(string $address, string $html): string
    {
        return strtr($html, [
            self::ADDRESS => htmlspecialchars(NormalForm::readable($address), ENT_QUOTES | ENT_SUBSTITUTE, 'UTF-8'),
            self::IN_LINK => rawurlencode($address),
        ]);
    }
}
