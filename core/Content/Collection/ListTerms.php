<?php

declare(strict_types=1);

namespace Heronstem\Core\Content\Collection;

use Heronstem\Core\Content\Layout\FieldKind;
use Heronstem\Core\Content\Layout\LayoutField;

/**
 * How a visitor wants a collection listed, as the query of an address says it: `sort` names a field (with a hyphen before it for the
 * highest first) or `name`; a field's key asks for one value, with `-from` and `-to` for bounds; `page` counts from 1. What makes no
 * sense is passed over: such addresses are typed, shared and guessed by robots.
 */
final readonly class ListTerms
{
    /** What stands for the page's name in `sort`. */
    public const NAME = 'name';

    private const LONGEST = 200;

    /**
     * @param  string|null  $sort  key of a field, or NAME; null for the order that the group has
     * @param  array<string, string>  $is  the value asked for, by field; yes and no as `yes` and `no`
     * @param  array<string, string>  $from  lowest value, by field
     * @param  array<string, string>  $to  highest value, by field
     */
    private function __construct(
        public ?string $sort = null,
        public bool $isDescending = false,
        public array $is = [],
        public array $from = [],
        public array $to = [],
        public int $page = 1,
    ) {
    }

    /**
     * @param  list<LayoutField>  $fields
     * @param  array<mixed>  $query  as it was given
     */
    public static function read(array $fields, array $query): self
    {
        $text = static function (string $key) use ($query): string {
            $given = $query[$key] ?? '';

            return is_string($given) && strlen($given) <= self::LONGEST && mb_check_encoding($given, 'UTF-8') ? trim($given) : '';
        };
        [$is, $from, $to, $sorts] = [[], [], [], [self::NAME]];
        foreach ($fields as $field) {
            if (self::sorts($field)) {
                $sorts[] = $field->key;
            }
            if (self::chooses($field) && in_array($text($field->key), self::values($field), true)) {
                $is[$field->key] = $text($field->key);
            }
            foreach (self::bounds($field) ? [['-from', &$from], ['-to', &$to]] : [] as [$end, &$bound]) {
                if (self::isBound($field, $text($field->key.$end))) {
                    $bound[$field->key] = $text($field->key.$end);
                }
            }
            unset($bound);
        }
        $sort = $text('sort');
        $key = ltrim($sort, '-');
        $page = $text('page');

        return new self(
            in_array($key, $sorts, true) ? $key : null,
            str_starts_with($sort, '-'),
            $is,
            $from,
            $to,
            preg_match('/^[1-9]\d{0,5}$/D', $page) === 1 ? (int) $page : 1,
        );
    }

    public function sortedBy(?string $sort): self
    {
        return new self(ltrim((string) $sort, '-') ?: null, str_starts_with((string) $sort, '-'), $this->is, $this->from, $this->to);
    }

    /** @return string|null as `sort` says it */
    public function sortKey(): ?string
    {
        return $this->sort === null ? null : ($this->isDescending ? '-' : '').$this->sort;
    }

    public function onPage(int $page): self
    {
        return new self($this->sort, $this->isDescending, $this->is, $this->from, $this->to, $page);
    }

    /** Whether some items may be left out. */
    public function filters(): bool
    {
        return [...$this->is, ...$this->from, ...$this->to] !== [];
    }

    /** @return string without the question mark; empty for the list as the group has it */
    public function query(): string
    {
        $parts = $this->is;
        foreach (['-from' => $this->from, '-to' => $this->to] as $end => $bounds) {
            foreach ($bounds as $key => $bound) {
                $parts[$key.$end] = $bound;
            }
        }
        if ($this->sort !== null) {
            $parts['sort'] = $this->sortKey();
        }
        if ($this->page > 1) {
            $parts['page'] = (string) $this->page;
        }

        return http_build_query($parts, '', '&', PHP_QUERY_RFC3986);
    }

    public static function sorts(LayoutField $field): bool
    {
        return self::bounds($field) || self::chooses($field) || $field->kind === FieldKind::Text;
    }

    /** Whether one of a few values can be asked for. */
    public static function chooses(LayoutField $field): bool
    {
        return in_array($field->kind, [FieldKind::Choice, FieldKind::YesNo], true);
    }

    /** Whether a lowest and a highest value can be asked for. */
    public static function bounds(LayoutField $field): bool
    {
        return $field->isNumeric() || $field->kind === FieldKind::Date;
    }

    /** @return list<string> */
    private static function values(LayoutField $field): array
    {
        return $field->kind === FieldKind::YesNo ? ['yes', 'no'] : array_map(strval(...), array_keys($field->choices()));
    }

    private static function isBound(LayoutField $field, string $text): bool
    {
        return $field->kind === FieldKind::Date
            ? preg_match('/^\d{4}-\d\d-\d\d$/D', $text) === 1
            : preg_match('/^-?\d{1,15}(\.\d{1,6})?$/D', $text) === 1;
    }
}
