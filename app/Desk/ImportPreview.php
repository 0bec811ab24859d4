<?php

declare(strict_types=1);

namespace App\Desk;

use Heronstem\Core\Redirect\Rule;

/** What a table of redirects was found to be. */
final class ImportPreview
{
    /** Rows that are told one by one: of each sort. */
    private const MAX_TOLD = 5000;

    public int $good = 0;

    /** @var array<int, true> rows that cannot be made, by their place in the table */
    public array $bad = [];

    /** @var array<int, array<string, string|int|null>> by place: how each was read, or why not */
    private array $told = [];

    public function takes(int $row, int $line, Rule $rule): void
    {
        $this->good++;
        if ($this->good <= self::MAX_TOLD) {
            $this->told[$row] = [
                'line' => $line,
                'address' => $rule->source,
                'leadsTo' => $rule->target->value ?? '',
                'scope' => $rule->scope->value,
                'answer' => $rule->answer->value,
                'field' => null,
                'reason' => null,
                'suggestion' => null,
            ];
        }
    }

    public function refuses(int $row, int $line, string $address, string $leadsTo, string $field, string $reason, ?string $suggestion = null): void
    {
        $this->bad[$row] = true;
        unset($this->told[$row]);
        if (count($this->bad) <= self::MAX_TOLD) {
            $this->told[$row] = [
                'line' => $line,
                'address' => $address,
                'leadsTo' => $leadsTo,
                'scope' => null,
                'answer' => null,
                'field' => $field,
                'reason' => $reason,
                'suggestion' => $suggestion,
            ];
        }
    }

    /** @return list<array<string, string|int|null>> in the order of the table */
    public function rows(): array
    {
        ksort($this->told);

        return array_values($this->told);
    }
}
