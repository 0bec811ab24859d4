<?php

declare(strict_types=1);

namespace App\Desk\BringIn;

use App\Desk\Rights;
use App\Models\Site;
use App\Models\SiteImport;
use App\Store\StoredMenus;
use App\Store\StoredRules;
use Heronstem\Core\Change\Change;
use Heronstem\Core\Change\ChangeReader;
use Heronstem\Core\Identity;
use Heronstem\Core\Interchange\Pages\PlacedPage;
use Heronstem\Core\Interchange\Pages\PlacedSource;
use Heronstem\Core\Interchange\Pages\PlacedStatus;
use Heronstem\Core\Interchange\Pages\Remark;
use Heronstem\Core\Refusal;
use Heronstem\Core\Tree\PageKind;
use Heronstem\Core\Workspace\Authority;
use Illuminate\Database\Connection;

/** What is changed besides pages when something is brought in: what else is said of them, menus, redirects, settings of a blank site. */
final class FurtherChanges
{
    private readonly ChangeReader $reader;

    /** @var list<string> what stays away, and why */
    public array $left = [];

    public function __construct(private readonly Connection $db, private readonly Site $site, private readonly Rights $rights)
    {
        $this->reader = new ChangeReader($site->rules(), $site->zone, $site->ownAddresses());
    }

    /** @return list<Change> */
    public function of(SiteImport $import, PlacedSource $placed): array
    {
        $changes = [];
        foreach ($placed->pages as $page) {
            if ($page->after !== null && in_array($page->status, [PlacedStatus::New, PlacedStatus::Changed], true)) {
                array_push($changes, ...$this->ofPage($page));
            }
        }
        $understood = $import->understood;
        $chosen = SaidOfImport::read($import->said, $this->site->zone)->menus;
        foreach ($chosen as $n) {
            $menu = $understood['menus'][$n] ?? null;
            $menu === null ?: array_push($changes, ...$this->foundMenu($menu, $n, $import, $placed));
        }
        foreach ($understood['records']['menus'] ?? [] as $record) {
            array_push($changes, ...$this->menu($record, $import, $placed));
        }
        array_push($changes, ...$this->redirects($understood['records']['redirects'] ?? [], $import));
        if ($this->site->pages()->doesntExist()) {
            array_push($changes, ...$this->settings($understood['records']['site'] ?? []));
        }

        return $changes;
    }

    /** @return list<Change> */
    private function ofPage(PlacedPage $page): array
    {
        $changes = [];
        foreach ($page->given->then as $said) {
            $why = match (true) {
                $said['kind'] === 'protect' && $this->rights->authority !== Authority::Owner => 'It was protected; only an owner protects pages.',
                $said['kind'] === 'set-start-page' && ! ($page->after?->isLive() === true && $page->after->kind === PageKind::Page) => 'It was the start page of those who are signed in; it is not live, so it is not that here.',
                $said['kind'] === 'set-code' && ! $this->rights->writesCode() => 'Its styles and head code stay away: they take the right “code”.',
                default => null,
            };
            if ($why !== null) {
                $page->remark(Remark::of($said['kind'], $why));

                continue;
            }
            $read = $this->read([...$said, 'page' => $page->id]);
            $read instanceof Refusal ? $page->remark(Remark::of($read->field, "Stays away: {$read->reason}")) : ($changes[] = $read);
        }

        return $changes;
    }

    /**
     * A menu that was found on pages: links to pages lead to them, others as they are.
     *
     * @param  array{name: string, links: list<array{label: string, href: string, level: int}>}  $menu
     * @return list<Change>
     */
    private function foundMenu(array $menu, int $n, SiteImport $import, PlacedSource $placed): array
    {
        $entries = [];
        $open = [&$entries];
        foreach ($menu['links'] as $link) {
            $page = $placed->pageAt($link['href']);
            $entry = match (true) {
                $page !== null => ['kind' => 'page', 'page' => $page, 'label' => $link['label']],
                preg_match('#^https?://#i', $link['href']) === 1 => ['kind' => 'url', 'url' => $link['href'], 'label' => $link['label']],
                default => ['kind' => 'heading', 'label' => $link['label']],
            };
            $level = min($link['level'], count($open) - 1, 3);
            $open = array_slice($open, 0, $level + 1);
            $under = &$open[$level];
            $under[] = $entry + ['entries' => []];
            $open[] = &$under[count($under) - 1]['entries'];
            unset($under);
        }

        return $this->menu(
            ['name' => $menu['name'] === '' ? 'Menu '.($n + 1) : $menu['name'], 'kind' => 'menu', 'entries' => $entries],
            $import,
            $placed,
        );
    }

    /**
     * @param  array<mixed>  $record
     * @return list<Change>
     */
    private function menu(array $record, SiteImport $import, PlacedSource $placed): array
    {
        $name = is_string($record['name'] ?? null) ? mb_substr($record['name'], 0, 100) : 'Menu';
        $there = null;
        $places = [];
        foreach ((new StoredMenus($this->db, $this->site))->all() as $menu) {
            $there = $menu->name === $name ? $menu : $there;
            $places[(string) $menu->place] = true;
        }
        $id = $there->id ?? Identity::derived($import->ulid, "menu $name");
        $entries = $this->entries($record['entries'] ?? [], $placed);
        $changes = $there === null ? [['kind' => 'make-menu', 'menu' => $id, 'name' => $name, 'of' => $record['kind'] ?? 'menu']] : [];
        $changes[] = ['kind' => 'arrange-menu', 'menu' => $id, 'entries' => $entries];
        $place = $record['place'] ?? null;
        if ($there === null && is_string($place) && ! isset($places[$place])) {
            $changes[] = ['kind' => 'place-menu', 'menu' => $id, 'place' => $place];
        }

        return $this->readAll($changes, "The menu “{$name}”");
    }

    /**
     * Entries without those whose page does not come: an entry leads somewhere.
     *
     * @return list<mixed>
     */
    private function entries(mixed $entries, PlacedSource $placed): array
    {
        $kept = [];
        foreach (is_array($entries) ? $entries : [] as $entry) {
            if (is_array($entry)) {
                unset($entry['id'], $entry['at']);
                $entry['entries'] = $this->entries($entry['entries'] ?? [], $placed);
                if ($entry['entries'] === []) {
                    unset($entry['entries']);
                }
            }
            $kept[] = $entry;
        }

        return $kept;
    }

    /**
     * @param  list<array<mixed>>  $records
     * @return list<Change>
     */
    private function redirects(array $records, SiteImport $import): array
    {
        $ids = array_values(array_filter(array_column($records, 'id'), is_string(...)));
        $here = (new StoredRules($this->db, $this->site))->named($ids);
        $known = [];
        foreach ($here as $rule) {
            $known[$rule->id] = true;
        }
        $changes = [];
        foreach ($records as $n => $record) {
            $id = is_string($record['id'] ?? null) ? $record['id'] : "row $n";
            if (! isset($known[$id])) {
                $fields = array_diff_key($record, ['id' => true, 'origin' => true, 'kind' => true]);
                array_push(
                    $changes,
                    ...$this->readAll(
                        [
                            ['kind' => 'make-redirect', 'redirect' => Identity::derived($import->ulid, "redirect $id")] +
                            array_filter($fields, static fn (mixed $said): bool => $said !== null),
                        ],
                        'The redirect of '.(is_string($record['source'] ?? null) ? $record['source'] : 'nothing'),
                    ),
                );
            }
        }

        return $changes;
    }

    /**
     * How the site is found as a whole, where it is blank as yet.
     *
     * @param  array<mixed>  $said
     * @return list<Change>
     */
    private function settings(array $said): array
    {
        $search = is_array($said['search'] ?? null) ? $said['search'] : [];
        $map = static fn (string $field): array => is_array($search[$field] ?? null) ? $search[$field] : [];
        $changes = $map('defaults') === [] ? [] : [['kind' => 'set-site-search', ...$map('defaults')]];
        foreach ($map('layouts') as $layout => $defaults) {
            $changes[] = ['kind' => 'set-site-search', 'layout' => (string) $layout, ...is_array($defaults) ? $defaults : []];
        }
        if (is_string($search['robots'] ?? null) && $search['robots'] !== '') {
            $changes[] = ['kind' => 'set-robots', 'robots' => $search['robots']];
        }
        if (is_string($search['head'] ?? null) && $search['head'] !== '' && $this->rights->authority === Authority::Owner) {
            $changes[] = ['kind' => 'set-site-head', 'head' => $search['head']];
        }
        foreach ($map('fieldDefaults') as $layout => $fields) {
            $changes[] = ['kind' => 'set-field-defaults', 'layout' => (string) $layout, 'fields' => $fields];
        }

        return $this->readAll($changes, 'A setting of the site');
    }

    /**
     * @param  list<array<string, mixed>>  $changes  that belong together
     * @return list<Change>
     */
    private function readAll(array $changes, string $what): array
    {
        $read = [];
        foreach ($changes as $said) {
            $change = $this->read($said);
            if ($change instanceof Refusal) {
                $this->left[] = "$what stays away: {$change->reason}";

                return [];
            }
            $read[] = $change;
        }

        return $read;
    }

    /** @param  array<string, mixed>  $said */
    private function read(array $said): Change|Refusal
    {
        try {
            return $this->reader->batch([$said])->changes[0];
        } catch (Refusal $no) {
            return $no;
        }
    }
}
