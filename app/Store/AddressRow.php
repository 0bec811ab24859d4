<?php

declare(strict_types=1);

namespace App\Store;

use Heronstem\Core\Address\NormalForm;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleReader;

/** One row of the addresses: what answers there, where it ends up, since when and by which change. */
final class AddressRow
{
    /**
     * @param  list<int>  $hits  by day, the oldest first
     * @return array<string, mixed>
     */
    public static function of(\stdClass $row, array $hits): array
    {
        $removed = ($row->removed ?? null) === null ? null : Rule::fromArray(json_decode($row->removed, true, flags: JSON_THROW_ON_ERROR));
        $rule = $row->rule === null || $row->ulid === null ? $removed : StoredRules::rule($row);
        $now = now()->getTimestamp();
        $state = match (true) {
            $rule === null || $removed !== null => null,
            ! $rule->isOn => 'off',
            $rule->until !== null && $rule->until->seconds <= $now => 'over',
            $rule->from !== null && $rule->from->seconds > $now => 'waiting',
            default => 'on',
        };

        return [
            'address' => NormalForm::readable($row->address),
            'kind' => $row->kind,
            'page' => $row->page === null ? null : ['id' => $row->page, 'name' => $row->name],
            'leadsTo' => match (true) {
                $removed !== null => $removed->target?->value,
                $row->kind === 'former' => NormalForm::readable($row->page_address),
                default => self::target($row),
            },
            'targetName' => $row->target_name ?? ($row->kind === 'former' ? $row->name : null),
            'isLive' => $row->page === null ? null : (bool) $row->visible,
            'waits' => $row->waits,
            'redirect' => $rule === null ? null : RuleReader::written($rule),
            'state' => $state,
            'since' => self::iso($row->since),
            'entry' => $row->entry,
            // It names what the redirect leads to: not to whom that page is not shown.
            'sentence' => $removed === null && str_starts_with((string) $row->target, 'page ') && $row->target_name === null ? null : $row->sentence,
            'hits' => $hits,
        ];
    }

    private static function target(\stdClass $row): ?string
    {
        if ($row->target === null) {
            return null;
        }
        [$kind, $value] = explode(' ', $row->target, 2);

        return match ($kind) {
            'page' => $row->target_address === null ? null : NormalForm::readable($row->target_address),
            'file' => null,
            default => NormalForm::readable($value),
        };
    }

    private static function iso(?string $moment): ?string
    {
        return $moment === null ? null : gmdate('Y-m-d\TH:i:s\Z', (int) strtotime($moment));
    }
}
