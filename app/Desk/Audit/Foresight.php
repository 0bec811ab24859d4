<?php

declare(strict_types=1);

namespace App\Desk\Audit;

use App\Store\FindingSnapshot;
use Heronstem\Core\Audit\Checks;

/** What a batch would do to findings and to the way to pages. */
final readonly class Foresight
{
    /** Findings and pages that are named; beyond that they are counted. */
    private const SHOWN = 100;

    /**
     * @param  string  $state  `seen`; `open` while a decision is open; `large` where more would have to be looked at than can be beforehand
     * @param  list<array<string, mixed>>  $appear
     * @param  list<array<string, mixed>>  $go
     * @param  list<array{page: string, name: string, from: int|null, to: int|null}>  $moved  pages that are nearer or further from the start page; null where nothing leads to them
     */
    private function __construct(
        public string $state,
        public array $appear = [],
        public array $go = [],
        public array $moved = [],
        public int $appears = 0,
        public int $goes = 0,
        public int $deeper = 0,
        public int $nearer = 0,
        public int $orphaned = 0,
    ) {
    }

    public static function open(): self
    {
        return new self('open');
    }

    public static function large(): self
    {
        return new self('large');
    }

    public static function nothing(): self
    {
        return new self('seen');
    }

    public static function between(FindingSnapshot $before, FindingSnapshot $after): self
    {
        $appear = array_diff_key($after->findings, $before->findings);
        $go = array_diff_key($before->findings, $after->findings);
        $moved = [];
        $deeper = $nearer = $orphaned = 0;
        foreach ($after->clicks as $page => ['name' => $name, 'clicks' => $to]) {
            if (! isset($before->clicks[$page])) {
                continue;
            }
            $from = $before->clicks[$page]['clicks'];
            if ($from !== $to) {
                $moved[] = ['page' => $page, 'name' => $name, 'from' => $from, 'to' => $to];
                $orphaned += $to === null ? 1 : 0;
                $deeper += $to !== null && $from !== null && $to > $from ? 1 : 0;
                $nearer += $to !== null && ($from === null || $to < $from) ? 1 : 0;
            }
        }
        usort($moved, static fn (array $a, array $b): int => [$a['to'] !== null, -($a['to'] ?? 0)] <=> [$b['to'] !== null, -($b['to'] ?? 0)]);

        return new self(
            'seen',
            self::named($appear),
            self::named($go),
            array_slice($moved, 0, self::SHOWN),
            count($appear),
            count($go),
            $deeper,
            $nearer,
            $orphaned,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return get_object_vars($this);
    }

    /**
     * @param  array<string, array{check: string, page: string, name: string, says: string}>  $findings
     * @return list<array<string, mixed>> what is gravest first
     */
    private static function named(array $findings): array
    {
        $checks = Checks::infos();
        $named = [];
        foreach ($findings as $finding) {
            $info = $checks[$finding['check']] ?? null;
            if ($info !== null) {
                $named[] = [...$finding, 'title' => $info->title, 'severity' => $info->severity->value, 'weight' => $info->weight];
            }
        }
        $order = ['error' => 0, 'warning' => 1, 'notice' => 2];
        usort($named, static fn (array $a, array $b): int => [$order[$a['severity']], -$a['weight'], $a['name']] <=> [$order[$b['severity']], -$b['weight'], $b['name']]);

        return array_slice($named, 0, self::SHOWN);
    }
}
