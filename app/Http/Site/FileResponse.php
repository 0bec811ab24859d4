<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Desk\Files\ServeFile;
use App\Models\File;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * A file people uploaded. What is asked for with the number of what stands there may be kept for good; its plain address is asked
 * about anew each time, since something else may have been put there.
 */
final readonly class FileResponse
{
    public function __construct(private ServeFile $files)
    {
    }

    /**
     * @param  string|null  $name  as it was asked for; null where it stands at the address of a page
     * @param  bool  $any  whether any name will do
     */
    public function of(File $file, Request $request, ?string $name = null, bool $any = false): Response
    {
        $smaller = $name === null ? null : $this->files->rendition($file, $name);
        if ($smaller !== null) {
            return new Response($smaller, 200, ['Content-Type' => 'image/webp', 'Cache-Control' => 'public, max-age=31536000, immutable']);
        }
        if ($name !== null && ! $any && rawurldecode($name) !== $file->name) {
            // It was renamed: the old address leads to the new one, and a rendition of what stood there before to what stands there now.
            return new Response('', 301, ['Location' => $file->address(), 'Cache-Control' => 'no-cache']);
        }
        $isNumbered = $request->query->getString('v') === (string) $file->number;
        $bytes = $this->files->bytes($file);
        abort_if($bytes === null, 404, 'The file is missing from the store.');
        $headers = [
            'Content-Type' => $file->mime,
            'Cache-Control' => $isNumbered ? 'public, max-age=31536000, immutable' : 'public, max-age=0, must-revalidate',
            'ETag' => "\"{$file->ulid}-{$file->number}\"",
            'Content-Disposition' => 'inline',
            'Accept-Ranges' => 'bytes',
        ];
        $part = self::part((string) $request->headers->get('Range', ''), strlen($bytes));

        return match (true) {
            $part === null => self::whole($bytes, $headers, $request),
            $part === [] => new Response('', 416, ['Content-Range' => 'bytes */'.strlen($bytes)]),
            default => new Response(
                substr($bytes, $part[0], $part[1] - $part[0] + 1),
                206,
                ['Content-Range' => "bytes $part[0]-$part[1]/".strlen($bytes)] + $headers,
            ),
        };
    }

    /** @param  array<string, string>  $headers */
    private static function whole(string $bytes, array $headers, Request $request): Response
    {
        $response = new Response($bytes, 200, $headers);
        $response->isNotModified($request);

        return $response;
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
