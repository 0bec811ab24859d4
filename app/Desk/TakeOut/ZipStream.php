<?php

declare(strict_types=1);

namespace App\Desk\TakeOut;

use ZipArchive;

/** A ZIP file made of files one after the other, and given out in pieces. It is made on the disk, not in memory. */
final class ZipStream
{
    /** Files after which those added so far are written, so that their bytes need not be held. */
    private const FLUSH = 200;

    /**
     * @param  iterable<string, string>  $files  bytes by path
     * @return iterable<string> pieces of the ZIP file
     */
    public static function of(iterable $files): iterable
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'heronstem-out');
        try {
            $zip = self::opened($path, ZipArchive::CREATE | ZipArchive::OVERWRITE);
            $n = 0;
            foreach ($files as $name => $bytes) {
                $zip->addFromString($name, $bytes);
                if (++$n % self::FLUSH === 0) {
                    $zip->close();
                    $zip = self::opened($path, ZipArchive::CREATE);
                }
            }
            if ($n === 0) {
                $zip->addEmptyDir('empty');
            }
            $zip->close();
            $stream = fopen($path, 'rb');
            while ($stream !== false && ! feof($stream)) {
                yield (string) fread($stream, 65536);
            }
        } finally {
            @unlink($path);
        }
    }

    private static function opened(string $path, int $how): ZipArchive
    {
        $zip = new ZipArchive();

        return $zip->open($path, $how) === true ? $zip : throw new \RuntimeException('There is no room for a temporary file.');
    }
}
