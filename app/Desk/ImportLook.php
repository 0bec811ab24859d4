<?php

declare(strict_types=1);

namespace App\Desk;

use Heronstem\Core\Redirect\Rule;

/** What a table of redirects was found to be. */
final class ImportLook
{
    /** Rows that are told one by one. */
    private const MOST_TOLD = 500;

    private const SAMPLE = 5;

    public int $good = 0;

    /** @var array<int, true> rows that cannot be made, by their place in the table */
    public array $bad = [];

    /** @var list<array{line: int, address: string, leadsTo: string, field: string, reason: string, suggestion: string|null}> the first of them */
    public array $told = [];

    /** @var list<Rule> the first of the others */
    public array $sample = [];

    public function takes(Rule $rule): void
    {
        $this->good++;
        if (count($this->sample) < self::SAMPLE) {
            $this->sample[] = $rule;
        }
    }

    public function refuses(int $row, int $line, string $address, string $leadsTo, string $field, string $reason, ?string $suggestion = null): void
    {
        $this->bad[$row] = true;
        if (count($this->told) < self::MOST_TOLD) {
            $this->told[] = ['line' => $line, 'address' => $address, 'leadsTo' => $leadsTo, 'field' => $field, 'reason' => $reason, 'suggestion' => $suggestion];
        }
    }

    /** The rows that were told, in the order of the table. */
    public function sort(): void
    {
        usort($this->told, static fn (array $a, array $b): int => $a['line'] <=> $b['line']);
    }
}
