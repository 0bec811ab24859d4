<?php

declare(strict_types=1);

namespace App\Desk\Demo;

use App\Desk\Files\UploadFile;
use App\Models\File;
use App\Models\Site;
use App\Models\User;

/** The files of a demo site by name: each is taken in once, however often it is named. */
final readonly class DemoFiles
{
    public function __construct(private UploadFile $upload)
    {
    }

    /** @return string its identity */
    public function of(string $name, Site $site, User $by, string $folder): string
    {
        $from = is_file("$folder/pictures/$name") ? "$folder/pictures/$name" : "$folder/files/$name";

        return (string) (File::query()->where('site_id', $site->id)->where('name', $name)->value('ulid') ??
            $this->upload->upload($site, $by, $name, (string) file_get_contents($from))->ulid);
    }
}
