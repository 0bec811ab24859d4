<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\File;
use App\Models\Site;
use App\Models\User;
use Heronstem\Core\Content\InvalidDocument;
use Heronstem\Core\Content\PastedHtml;
use Illuminate\Validation\ValidationException;

/** Reads what was pasted from elsewhere: links to the site's own addresses become links to their pages, and pictures that came along become files. */
final readonly class ReadPasted
{
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
        $brought = [];
        $pictureAt = function (string $source) use (&$brought, $site, $user): ?string {
            if (preg_match('#/_files/([0-9A-HJKMNP-TV-Z]{26})/#', $source, $own) === 1) {
                return File::query()->where('site_id', $site->id)->where('ulid', $own[1])->whereNotNull('width')->value('ulid');
            }

            return $brought[md5($source)] ??= $this->embedded($source, $site, $user);
        };

        return (new PastedHtml($this->pages->at($site), $pictureAt))->blocks($html);
    }

    private function embedded(string $source, Site $site, User $user): ?string
    {
        if (preg_match('#^data:image/[a-z+]+;base64,#', $source, $head) !== 1) {
            return null;
        }
        $bytes = base64_decode(substr($source, strlen($head[0])), true);
        try {
            return $bytes === false ? null : $this->pictures->upload($site, $user, 'pasted', $bytes)->ulid;
        } catch (ValidationException) {
            return null; // one that is no picture, or too large, stays behind; the text comes all the same
        }
    }
}
