<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Page;
use App\Models\Role;
use App\Models\Site;
use App\Store\StoredAccess;
use Heronstem\Core\Access\Line;
use Heronstem\Core\Access\Person;
use Heronstem\Core\Access\Reason;
use Heronstem\Core\Access\Right;
use Heronstem\Core\Access\RightsOfPerson;
use Heronstem\Core\Access\Role as CoreRole;
use Heronstem\Core\Access\SiteAccess;
use Heronstem\Core\Access\Verdict;
use Heronstem\Core\Access\Who;
use Illuminate\Database\ConnectionInterface;

/**
 * What is said of everybody's rights in a branch, and why somebody may do something or not.
 *
 * @phpstan-type Cell array{says: string|null, may: bool, why: string}
 */
final readonly class ReadRights
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    /** @return array<string, mixed> roles and people by rights, in a branch; on the whole site for null */
    public function grid(Site $site, ?Page $branch): array
    {
        $access = (new StoredAccess($this->db, $site))->access();
        $around = $this->around($branch);
        $branches = $this->branches($access);
        $names = array_column($branches, 'name', 'id');
        $rows = [];
        $secondStep = Role::query()->where('site_id', $site->id)->pluck('needs_second_step', 'key');
        foreach ($access->roles as $role) {
            $has = array_filter($access->people, static fn (Person $person): bool => $person->has(Who::role($role->key)));
            $rows[] = [
                ...$this->row(Who::role($role->key), $role->name, new Person('', $role->name, [$role->key]), $access, $around, $names),
                'isOwner' => $role->isOwner(),
                'has' => count($has),
                'roles' => [],
                'needsSecondStep' => (bool) ($secondStep[$role->key] ?? false),
            ];
        }
        foreach ($access->people as $person) {
            $rows[] = [
                ...$this->row(Who::person($person->id), $person->name, $person, $access, $around, $names),
                'isOwner' => $person->isOwner(),
                'has' => 0,
                'needsSecondStep' => false,
                'roles' => array_map(static fn (string $key): string => $access->roles[$key]->name, $person->roles),
            ];
        }

        return [
            'rights' => array_map(
                static fn (Right $right): array => ['right' => $right->value, 'label' => $right->label(), 'isOfSite' => $right->isOfSite()],
                Right::cases(),
            ),
            'rows' => $rows,
            'branches' => $branches,
        ];
    }

    /** @return array{isYes: bool, words: string, who: string|null, branch: string|null} */
    public function why(Site $site, string $person, Right $right, ?Page $page): array
    {
        $access = (new StoredAccess($this->db, $site))->access();
        $verdict = $access->rightsOf($person)->on($right, $this->around($page));
        $branch = $verdict->line?->branch;

        return [
            'isYes' => $verdict->isYes,
            'words' => $this->words($verdict, $access, $branch === null ? [] : Page::query()->where('ulid', $branch)->pluck('name', 'ulid')->all()),
            'who' => $verdict->line?->who->toText(),
            'branch' => $branch,
        ];
    }

    /**
     * @param  list<string>  $around
     * @param  array<string, string>  $names
     * @return array{who: string, name: string, cells: array<string, Cell>, in: list<string>}
     */
    private function row(Who $who, string $name, Person $as, SiteAccess $access, array $around, array $names): array
    {
        $rights = RightsOfPerson::of($as, $access->lines);
        $cells = [];
        foreach (Right::cases() as $right) {
            $verdict = $rights->on($right, $around);
            // What is said of the whole site is said there, and follows here.
            $isSaidElsewhere = $right->isOfSite() && $around !== [];
            $own = $isSaidElsewhere ? null : $access->lines[Line::keyOf($who, $around[0] ?? null, $right)] ?? null;
            $cells[$right->value] = ['says' => $own?->says->value, 'may' => $verdict->isYes, 'why' => $this->words($verdict, $access, $names)];
        }

        return [
            'who' => $who->toText(),
            'name' => $name,
            'cells' => $cells,
            'in' => array_values(array_intersect_key($names, $access->branches($who))),
        ];
    }

    /** @param  array<string, string>  $names of branches */
    private function words(Verdict $verdict, SiteAccess $access, array $names): string
    {
        $line = $verdict->line;
        if ($line === null) {
            return match ($verdict->reason) {
                Reason::Owner => 'Owners may do everything.',
                Reason::NotSeen => 'Nothing lets them see this, so they may do nothing else here.',
                default => 'Nothing is said of it anywhere.',
            };
        }
        $who = $line->who->isRole ? 'the role '.($access->roles[$line->who->id] ?? new CoreRole('', ''))->name : 'them by name';
        $where = $line->branch === null ? 'on the whole site' : 'in '.($names[$line->branch] ?? 'a branch');
        $says = $verdict->reason === Reason::NotSeen ? 'Seeing is denied to' : ($verdict->isYes ? 'Allowed to' : 'Denied to');

        return "$says $who, $where.";
    }

    /** @return list<string> the pages around it, nearest first, itself included */
    private function around(?Page $branch): array
    {
        return $branch === null ? [] : [$branch->ulid, ...array_reverse(array_column($branch->ancestors(), 'ulid'))];
    }

    /** @return list<array{id: string, name: string, address: string, lines: int}> the branches of which something is said, by outline */
    private function branches(SiteAccess $access): array
    {
        $counts = $access->branches();
        $pages = Page::query()->whereIn('ulid', array_keys($counts))->orderByRaw(ListPages::PLACE)->get();

        return array_values(
            $pages
                ->map(
                    static fn (Page $page): array => [
                        'id' => $page->ulid,
                        'name' => $page->name,
                        'address' => $page->address,
                        'lines' => $counts[$page->ulid],
                    ],
                )
                ->all(),
        );
    }
}
