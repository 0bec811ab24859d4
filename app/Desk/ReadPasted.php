<?php

declare(strict_types=1);

namespace App\Desk;

use App\Desk\Files\UploadPicture;
use App\Models\File;
use App\Models\Site;
use App\Models\User;
use Heronstem\Core\Content\InvalidDocument;
use Heronstem\Core\Content\PastedHtml;
use Illuminate\Validation\ValidationException;

/** Reads what was pasted from elsewhere: links to the site's own addresses become links to their pages, and pictures that came along become files. */
final readonly class ReadPasted
{
    /** Most bytes of what is pasted, pictures and all; the text alone may have PastedHtml::MAX_BYTES. */
    public const MAX_BYTES = 30_000_000;

    /** Most pictures brought in at once. */
    private const MAX_PICTURES = 60;

    public function __construct(private PagesOfLinks $pages, private UploadPicture $pictures)
    {
    }

    /**
     * @return list<array<string, mixed>> blocks for the writer
     *
     * @throws InvalidDocument when it is too much to be the content of a page
     */
    public function read(string $html, Site $site, User $user): array
    {
        $html = $this->withPicturesAsFiles($html, $site, $user);
        if (strlen($html) > PastedHtml::MAX_BYTES) {
            throw new InvalidDocument('html', 'This is more than can be pasted at once. Paste it in pieces.');
        }

        return (new PastedHtml($this->pages->at($site), static fn (string $source): ?string => File::pictureAt($source, $site)))->blocks($html);
    }

    /** Pictures that stand in the text itself (RFC 2397) become files, each once, however often it is shown. */
    private function withPicturesAsFiles(string $html, Site $site, User $user): string
    {
        $brought = [];

        return (string) preg_replace_callback(
            '#data:image/[a-z+.-]{1,20};base64,([A-Za-z0-9+/=\s]++)#',
            function (array $found) use (&$brought, $site, $user): string {
                $key = md5($found[1]);
                if (! array_key_exists($key, $brought) && count($brought) < self::MAX_PICTURES) {
                    $brought[$key] = $this->embedded((string) base64_decode($found[1], true), $site, $user);
                }

                return isset($brought[$key]) ? "/_files/{$brought[$key]}/pasted" : '';
            },
            $html,
        );
    }

    private function embedded(string $bytes, Site $site, User $user): ?string
    {
        try {
            return $bytes === '' ? null : $this->pictures->upload($site, $user, 'pasted', $bytes)->ulid;
        } catch (ValidationException) {
            return null; // one that is no picture, or too large, stays behind; the text comes all the same
        }
    }
}
