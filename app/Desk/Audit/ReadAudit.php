<?php

declare(strict_types=1);

namespace App\Desk\Audit;

use App\Models\Site;
use App\Models\User;
use App\Store\AuditQueue;
use App\Store\FindingFilter;
use App\Store\FindingRows;
use Heronstem\Core\Audit\CheckInfo;
use Heronstem\Core\Audit\Checks;
use Heronstem\Core\Audit\Fix;
use Heronstem\Core\Audit\Severity;
use Heronstem\Core\Audit\SiteFault;

/** How a site stands, and what was found. */
final readonly class ReadAudit
{
    /** Days of the chart. */
    private const DAYS = 60;

    /** Groups of findings that came in a week, of which the weightiest are named. */
    private const CAME = 300;

    /** Findings most worth doing that the overview names. */
    private const FIRST = 10;

    /** Menus and redirects named with a group of faults. */
    private const MAX_FAULTS = 500;

    /** Pages named with a group of findings; the complete list is read in pieces. */
    private const EXAMPLES = 5;

    /** What a finding counts for besides its weight: what does not work goes before what could be better. */
    private const URGENCY = ['error' => 10, 'warning' => 4, 'notice' => 1];

    /** Findings of pages that visitors see. */
    private const LIVE = ['all' => false, 'branch' => null, 'layout' => null];

    public function __construct(private FindingRows $rows, private AuditQueue $queue, private SiteFaults $faults)
    {
    }

    /** @return array<string, mixed> */
    public function overview(Site $site): array
    {
        $standing = $this->rows->standing($site);

        return [
            'pages' => $standing->pages,
            'clean' => $standing->clean,
            'score' => $standing->weight === 0 ? null : (int) round((100 * $standing->passed) / $standing->weight),
            'waiting' => $this->queue->waiting($site),
            'days' => $this->days($site, $standing),
            'first' => array_slice($this->groups($site), 0, self::FIRST),
            'worse' => $this->worse($site),
        ];
    }

    /**
     * @param  object{pages: int, clean: int, weight: int, passed: int, findings: int}  $standing  now, which is the last of the days
     * @return list<array<string, mixed>>
     */
    private function days(Site $site, object $standing): array
    {
        $today = now($site->zone)->format('Y-m-d');
        $days = array_filter($this->rows->days($site, self::DAYS), static fn (object $day): bool => $day->day < $today);
        if ($standing->pages > 0) {
            $days[] = (object) ['day' => $today, ...(array) $standing];
        }

        return array_values(
            array_map(
                static fn (object $day): array => [
                    'day' => $day->day,
                    'score' => $day->weight === 0 ? 100 : round((100 * $day->passed) / $day->weight, 1),
                    'clean' => $day->clean,
                    'pages' => $day->pages,
                    'findings' => $day->findings,
                ],
                $days,
            ),
        );
    }

    /** @return list<array<string, mixed>> what came in a week by a change, what weighs most first */
    private function worse(Site $site): array
    {
        $checks = Checks::infos();
        $rows = [];
        foreach ($this->rows->since($site, 7, self::CAME) as $n => $row) {
            $info = $checks[$row->check_code] ?? null;
            if ($info !== null) {
                $rows[sprintf('%08d %04d', 99_999_999 - self::URGENCY[$info->severity->value] * $info->weight * $row->pages, $n)] = $row;
            }
        }
        ksort($rows);

        return array_map(
            static fn (object $row): array => [
                'check' => $row->check_code,
                'title' => $checks[$row->check_code]->title,
                'pages' => $row->pages,
                'first' => $row->first,
                'entry' => $row->entry,
                'sentence' => $row->sentence ?? '',
                'at' => $row->at,
            ],
            array_slice(array_values($rows), 0, self::FIRST),
        );
    }

    /**
     * @param  array{all: bool, branch: string|null, layout: string|null}  $asked
     * @return list<array<string, mixed>> by check, the most gain first: weight and severity times pages, pages that many link to for more
     */
    public function groups(Site $site, array $asked = self::LIVE): array
    {
        $filter = self::filter($asked);
        $checks = Checks::infos();
        $groups = [];
        foreach ($this->rows->byCheck($site, $filter) as $row) {
            $info = $checks[$row->check_code] ?? null;
            if ($info !== null) {
                $groups[] = [
                    'of' => 'pages',
                    ...self::info($info),
                    'pages' => $row->pages,
                    'gain' => $info->weight * self::URGENCY[$info->severity->value] * ($row->pages + (int) round(sqrt($row->hits))),
                    'examples' => $this->pages($site, $info->code, $asked, 0, self::EXAMPLES),
                    'faults' => [],
                ];
            }
        }
        // Menus and redirects are the site's, whatever branch or layout is looked at.
        array_push($groups, ...$asked['branch'] === null && $asked['layout'] === null ? $this->ofSite($site) : []);
        usort($groups, static fn (array $a, array $b): int => [$b['gain'], $a['check']] <=> [$a['gain'], $b['check']]);

        return $groups;
    }

    /** @return list<array<string, mixed>> faults of menus and redirects, as groups like those of pages */
    private function ofSite(Site $site): array
    {
        return array_values(
            array_map(
                static function (array $faults): array {
                    $info = $faults[0]->info;

                    return [
                        'of' => str_starts_with($info->code, 'menu-') ? 'menus' : 'redirects',
                        'check' => $info->code,
                        'title' => $info->title,
                        'why' => $info->why,
                        'severity' => $info->severity->value,
                        'weight' => $info->weight,
                        'fix' => str_starts_with($info->code, 'menu-') ? Fix::Menus->value : Fix::Redirects->value,
                        'pages' => count($faults),
                        'gain' => $info->weight * self::URGENCY[$info->severity->value] * count($faults),
                        'examples' => [],
                        'faults' => array_map(
                            static fn (SiteFault $fault): array => ['id' => $fault->of, 'name' => $fault->name, 'says' => $fault->says],
                            array_slice($faults, 0, self::MAX_FAULTS),
                        ),
                    ];
                },
                $this->faults->of($site),
            ),
        );
    }

    /**
     * @param  array{all: bool, branch: string|null, layout: string|null}  $asked
     * @return list<array<string, mixed>>
     */
    public function pages(Site $site, string $check, array $asked, int $offset, int $limit): array
    {
        return array_map(
            static fn (object $row): array => [
                'page' => $row->ulid,
                'name' => $row->name,
                'address' => $row->address,
                'state' => $row->state,
                'says' => $row->says,
                'since' => $row->since,
                'entry' => $row->entry,
                'sentence' => $row->sentence,
            ],
            $this->rows->ofCheck($site, $check, self::filter($asked), $offset, $limit),
        );
    }

    /**
     * @param  array{all: bool, branch: string|null, layout: string|null}  $asked
     * @return iterable<array{check: string, severity: string, page: string|null, name: string, address: string, says: string, since: string|null}> of menus and redirects without page and day
     */
    public function all(Site $site, array $asked = self::LIVE, ?Severity $atLeast = null): iterable
    {
        $checks = Checks::infos();
        foreach ($this->rows->all($site, self::filter($asked)) as $row) {
            $info = $checks[$row->check_code] ?? null;
            if ($info !== null && ($atLeast === null || $info->severity->isAtLeast($atLeast))) {
                yield [
                    'check' => $info->code,
                    'severity' => $info->severity->value,
                    'page' => $row->ulid,
                    'name' => $row->name,
                    'address' => $row->address,
                    'says' => $row->says,
                    'since' => $row->since,
                ];
            }
        }
        foreach ($asked['branch'] === null && $asked['layout'] === null ? $this->faults->of($site) : [] as $faults) {
            foreach ($faults as $fault) {
                if ($atLeast === null || $fault->info->severity->isAtLeast($atLeast)) {
                    yield [
                        'check' => $fault->info->code,
                        'severity' => $fault->info->severity->value,
                        'page' => null,
                        'name' => $fault->name,
                        'address' => str_starts_with($fault->info->code, 'redirect-') ? $fault->name : '',
                        'says' => $fault->says,
                        'since' => null,
                    ];
                }
            }
        }
    }

    /** @return list<array<string, mixed>> */
    public function dismissed(Site $site): array
    {
        $checks = Checks::infos();

        return array_map(
            static fn (object $row): array => [
                'check' => $row->check_code,
                'title' => ($checks[$row->check_code] ?? null)->title ?? $row->check_code,
                'page' => $row->ulid,
                'name' => $row->name,
                'address' => $row->address,
                'reason' => $row->reason,
                'until' => $row->until,
                'person' => $row->person,
            ],
            $this->rows->dismissed($site),
        );
    }

    /** Says that a finding is no problem here, until a day or for good; false where there is no such page. */
    public function dismiss(Site $site, User $user, string $page, string $check, string $reason, ?string $until): bool
    {
        return $this->rows->dismiss($site, $page, $check, $reason, $until, $user->id);
    }

    /** Takes that back; false where nothing was dismissed. */
    public function reinstate(Site $site, string $page, string $check): bool
    {
        return $this->rows->reinstate($site, $page, $check);
    }

    /** @param  array{all: bool, branch: string|null, layout: string|null}  $asked */
    private static function filter(array $asked): FindingFilter
    {
        return new FindingFilter(! $asked['all'], $asked['branch'], $asked['layout']);
    }

    /** @return array{check: string, title: string, why: string, severity: string, weight: int, fix: string} */
    private static function info(CheckInfo $info): array
    {
        return [
            'check' => $info->code,
            'title' => $info->title,
            'why' => $info->why,
            'severity' => $info->severity->value,
            'weight' => $info->weight,
            'fix' => $info->fix->value,
        ];
    }
}
