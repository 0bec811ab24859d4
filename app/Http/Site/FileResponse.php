<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Models\File;
use Illuminate\Contracts\Filesystem\Factory as Disks;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** A file people uploaded. Its address holds its identity, so it never changes and may be kept for good. */
final readonly class FileResponse
{
    public function __construct(private Disks $disks)
    {
    }

    public function of(File $file, Request $request): Response
    {
        $bytes = $this->disks->disk(config('heronstem.files_disk'))->get($file->path);
        abort_if($bytes === null, 404, 'The file is missing from the store.');
        $headers = [
            'Content-Type' => $file->mime,
            'Cache-Control' => 'public, max-age=31536000, immutable',
            'Content-Disposition' => 'inline',
            'Accept-Ranges' => 'bytes',
        ];
        $part = self::part((string) $request->headers->get('Range', ''), strlen($bytes));

        return match (true) {
            $part === null => new Response($bytes, 200, $headers),
            $part === [] => new Response('', 416, ['Content-Range' => 'bytes */'.strlen($bytes)]),
            default => new Response(
                substr($bytes, $part[0], $part[1] - $part[0] + 1),
                206,
                ['Content-Range' => "bytes $part[0]-$part[1]/".strlen($bytes)] + $headers,
            ),
        };
    }

    /**
     * The one part that is asked for, as players of films do (RFC 9110, 14.2): first and last byte; nothing where it lies behind
     * the end; null where the whole is asked for, or several parts, which nobody has to give.
     *
     * @return array{int, int}|array{}|null
     */
    private static function part(string $range, int $length): ?array
    {
        if (preg_match('/^bytes=(\d{0,18})-(\d{0,18})$/D', $range, $asked) !== 1 || ($asked[1] === '' && $asked[2] === '')) {
            return null;
        }
        [$first, $last] =
            $asked[1] === ''
                ? [max(0, $length - (int) $asked[2]), $length - 1]
                : [(int) $asked[1], $asked[2] === '' ? $length - 1 : min((int) $asked[2], $length - 1)];
        if ($asked[1] !== '' && $asked[2] !== '' && (int) $asked[2] < (int) $asked[1]) {
            return null;
        }

        return $first >= $length || ($asked[1] === '' && (int) $asked[2] === 0) ? [] : [$first, $last];
    }
}
