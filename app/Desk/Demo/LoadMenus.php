<?php

declare(strict_types=1);

namespace App\Desk\Demo;

use App\Desk\ApplyChanges;
use App\Desk\ReadMenuFile;
use App\Models\Site;
use App\Models\User;
use App\Store\StoredMenus;
use Heronstem\Core\Change\ArrangeMenu;
use Heronstem\Core\Change\Batch;
use Heronstem\Core\Change\MakeMenu;
use Heronstem\Core\Change\PlaceMenu;
use Heronstem\Core\Menu\MenuFile;
use Heronstem\Core\Menu\MenuKind;
use Heronstem\Core\Tree\PageName;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Support\Str;

/** Gives a demo site the menus and picks of its menus.json, in the form of menu files. */
final readonly class LoadMenus
{
    public function __construct(private ConnectionInterface $db, private ApplyChanges $apply, private ReadMenuFile $read, private DemoFiles $files)
    {
    }

    public function load(Site $site, User $by, string $folder): void
    {
        $known = array_column((new StoredMenus($this->db, $site))->all(), 'id', 'name');
        $changes = [];
        foreach (json_decode((string) file_get_contents("$folder/menus.json"), true, flags: JSON_THROW_ON_ERROR) as $menu) {
            $id = $known[$menu['name']] ?? (string) Str::ulid();
            if (! isset($known[$menu['name']])) {
                $changes[] = new MakeMenu($id, PageName::of($menu['name']), MenuKind::from($menu['kind']));
                if ($menu['place'] !== null) {
                    $changes[] = new PlaceMenu($id, $menu['place']);
                }
            }
            $menu['entries'] = $this->withPictures($menu['entries'], $site, $by, $folder);
            $file = json_encode([...$menu, 'format' => MenuFile::FORMAT, 'version' => MenuFile::VERSION], JSON_THROW_ON_ERROR);
            $changes[] = new ArrangeMenu($id, $this->read->read($file, $site, $id));
        }
        $this->apply->apply($site, $by, Batch::of(...$changes));
    }

    /**
     * @param  list<array<string, mixed>>  $entries
     * @return list<array<string, mixed>>
     */
    private function withPictures(array $entries, Site $site, User $by, string $folder): array
    {
        return array_map(function (array $entry) use ($site, $by, $folder): array {
            $picture = isset($entry['picture']) ? $this->files->of($entry['picture'], $site, $by, $folder) : null;

            return [
                ...$entry,
                ...$picture === null ? [] : ['picture' => $picture],
                'entries' => $this->withPictures($entry['entries'] ?? [], $site, $by, $folder),
            ];
        }, $entries);
    }
}
