<?php

declare(strict_types=1);

namespace Tests\Core\Content;

use Heronstem\Core\Content\Files;
use Heronstem\Core\Content\Film;
use Heronstem\Core\Content\Films;
use Heronstem\Core\Content\LinkTargets;
use Heronstem\Core\Content\ListedPage;
use Heronstem\Core\Content\OfferedFile;
use Heronstem\Core\Content\PageLists;
use Heronstem\Core\Content\PictureFile;
use Heronstem\Core\Content\Sources;

/** What stands around a document in tests: one page that visitors see, any picture, one file, a list of two pages. */
final class StillSources
{
    public const PAGE = '01J00000000000000000000001';

    public static function make(): Sources
    {
        $targets = new class implements LinkTargets
        {
            public function addressOf(string $page): ?string
            {
                return $page === StillSources::PAGE ? '/travel' : null;
            }

            public function addressOfWanted(string $name): ?string
            {
                return $name === 'Made since' ? '/made' : null;
            }
        };
        $files = new class implements Files
        {
            public function picture(string $file): ?PictureFile
            {
                return new PictureFile('/_files/x.png', 640, 400);
            }

            public function file(string $file): ?OfferedFile
            {
                return new OfferedFile('/_files/x.pdf', 'x.pdf', 'application/pdf', 1_234_567);
            }

            public function inFolder(string $folder): array
            {
                return [['file' => '01J00000000000000000000002', 'alt' => 'A <pier>', 'caption' => '']];
            }
        };
        $lists = new class implements PageLists
        {
            public function pages(array $list): array
            {
                return [
                    new ListedPage('Skerra & co', '/islands/skerra', 'Cliffs.', '/_files/s.jpg'),
                    new ListedPage('Ullin', '/islands/ullin', '', null),
                ];
            }
        };

        $films = new class implements Films
        {
            public function at(string $address): ?Film
            {
                return str_contains($address, 'unknown') ? null : new Film('https://films.example/play/1', 640, 360);
            }
        };

        return new Sources($targets, $files, $lists, $films);
    }
}
