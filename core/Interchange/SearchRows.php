<?php

declare(strict_types=1);

namespace Heronstem\Core\Interchange;

use Heronstem\Core\Identity;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\PageTexts;
use Heronstem\Core\Tree\SearchSettings;

/**
 * Titles, descriptions, canonical addresses and what engines are told, as a table (CSV by RFC 4180, or JSON Lines). A column
 * that is missing leaves its field; an empty cell of title and description empties it, one of a setting lets it be inherited.
 */
final class SearchRows
{
    /** In the order in which they are written. */
    public const COLUMNS = ['id', 'address', 'title', 'description', 'canonical', 'index', 'follow', 'sitemap', 'priority', 'change frequency'];

    private const YES = ['yes', 'true', '1', 'ja', 'oui', 'sí', 'si', 'y'];

    private const NO = ['no', 'false', '0', 'nein', 'non', 'n', 'noindex', 'nofollow'];

    /** @return iterable<SearchRow> */
    public static function read(string $text): iterable
    {
        foreach (Table::rows($text) as $line => $fields) {
            yield self::row($line, $fields);
        }
    }

    /**
     * @param  PageTexts  $texts  that are being worked on
     */
    public static function write(string $id, string $address, PageTexts $texts, SearchSettings $search): string
    {
        $flag = static fn (?bool $value): string => $value === null ? '' : ($value ? 'yes' : 'no');

        return Table::csv([
            $id,
            $address,
            $texts->searchTitle,
            $texts->searchDescription,
            $search->canonical->toText(),
            $flag($search->own->index),
            $flag($search->own->follow),
            $flag($search->own->inSitemap),
            $search->own->priority === null ? '' : number_format($search->own->priority / 10, 1, '.', ''),
            (string) $search->own->changeFrequency?->value,
        ]);
    }

    /** @param  array<string, string>  $fields */
    private static function row(int $line, array $fields): SearchRow
    {
        $id = $fields['id'] ?? '';
        $address = $fields['source'] ?? '';
        try {
            $fault = PageRow::fault($fields);
            if ($fault !== null) {
                throw new InputRefused(...$fault);
            }
            $texts = [];
            foreach (['title' => 'searchTitle', 'description' => 'searchDescription'] as $column => $field) {
                if (isset($fields[$column])) {
                    $texts[$field] = $fields[$column];
                }
            }
            (new PageTexts())->changed($texts, '');
            $settings = self::settings($fields);
            (new SearchSettings())->changed($settings);

            return new SearchRow($line, $id, $address, $texts, $settings);
        } catch (InputRefused $refused) {
            return new SearchRow($line, Identity::names($id) ? $id : '', mb_substr($address, 0, 200), problem: [$refused->field, $refused->reason]);
        }
    }

    /**
     * @param  array<string, string>  $fields
     * @return array<string, mixed>
     */
    private static function settings(array $fields): array
    {
        $settings = [];
        foreach (['index' => 'index', 'follow' => 'follow', 'sitemap' => 'inSitemap'] as $column => $field) {
            if (isset($fields[$column])) {
                $settings[$field] = self::flag($fields[$column], $field);
            }
        }
        if (isset($fields['canonical'])) {
            $settings['canonical'] = $fields['canonical'] === '' ? 'itself' : $fields['canonical'];
        }
        if (isset($fields['priority'])) {
            $typed = str_replace(',', '.', trim($fields['priority']));
            if ($typed !== '' && ! is_numeric($typed)) {
                throw new InputRefused('priority', 'The priority is a number from 0.0 to 1.0.', '0.5');
            }
            $settings['priority'] = $typed === '' ? null : (float) $typed;
        }
        if (isset($fields['changeFrequency'])) {
            $settings['changeFrequency'] = $fields['changeFrequency'] === '' ? null : strtolower($fields['changeFrequency']);
        }

        return $settings;
    }

    private static function flag(string $cell, string $field): ?bool
    {
        $said = mb_strtolower(trim($cell));

        return match (true) {
            $said === '' => null,
            in_array($said, self::YES, true) => true,
            in_array($said, self::NO, true) => false,
            default => throw new InputRefused($field, "“{$cell}” is neither yes nor no. Leave it empty to inherit."),
        };
    }
}
