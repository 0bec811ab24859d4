<?php

declare(strict_types=1);

namespace App\Desk\Design;

use App\Models\Page;
use App\Models\Site;
use App\Store\MadeOf;
use App\Store\StoredFiles;
use Heronstem\Core\Tree\FieldValues;

/** The pages and files that fields name, read in two queries. */
final readonly class FieldSources
{
    public StoredFiles $files;

    public string $language;

    /** @var array<string, array{name: string, address: string}> */
    private array $pages;

    public function __construct(FieldValues $values, Site $site)
    {
        $this->language = $site->language;
        $this->files = new StoredFiles($values->files(), $site);
        $named = $values->pages();
        MadeOf::pages(...$named);
        $this->pages =
            $named === []
                ? []
                : Page::query()
                    ->where('site_id', $site->id)
                    ->whereIn('ulid', $named)
                    ->whereRaw('is_visible(state, from_at, until_at) and is_open(gate_id)')
                    ->get(['ulid', 'name', 'address'])
                    ->mapWithKeys(static fn (Page $page): array => [$page->ulid => ['name' => $page->name, 'address' => $page->address]])
                    ->all();
    }

    /** @return array{name: string, address: string}|null while visitors see it */
    public function page(string $id): ?array
    {
        return $this->pages[$id] ?? null;
    }
}
