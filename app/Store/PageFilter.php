<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Site;

/** What a filter of the outline asks of pages: a part of name or address, and facets. */
final readonly class PageFilter
{
    private const MAX_LENGTH = 200;

    /**
     * @param  list<string>  $states  any of them; empty for all
     * @param  list<string>  $kinds
     * @param  list<string>  $layouts
     * @param  list<string>  $tags  all of them
     */
    public function __construct(
        public string $text,
        public array $states = [],
        public array $kinds = [],
        public array $layouts = [],
        public array $tags = [],
    ) {
    }

    /** @param  array<string, string>  $given  text, and facets with commas between */
    public static function of(array $given): self
    {
        $list = static fn (string $field): array => array_values(array_filter(explode(',', $given[$field] ?? '')));

        return new self(mb_substr(trim($given['text'] ?? ''), 0, self::MAX_LENGTH), $list('state'), $list('kind'), $list('layout'), $list('tag'));
    }

    public function asksNothing(): bool
    {
        return $this->text === '' && $this->states === [] && $this->kinds === [] && $this->layouts === [] && $this->tags === [];
    }

    /** @return array{string, list<mixed>} condition on pages p, and its values */
    public function where(Site $site): array
    {
        $where = "p.site_id = ? and p.state <> 'bin'";
        $bound = [$site->id];
        if ($this->text !== '') {
            $like = '%'.addcslashes($this->text, '%_\\').'%';
            $where .= " and (p.name || ' ' || p.address) ilike ? and (p.name ilike ? or p.address ilike ?)";
            array_push($bound, $like, $like, $like);
        }
        foreach (['state' => $this->states, 'kind' => $this->kinds, 'layout' => $this->layouts] as $column => $values) {
            if ($values !== []) {
                $where .= " and p.$column = any(?::text[])";
                $bound[] = PgArray::of($values);
            }
        }

        if ($this->tags !== []) {
            $where .= ' and p.tags @> ?::jsonb';
            $bound[] = json_encode($this->tags, JSON_THROW_ON_ERROR);
        }

        return [$where, $bound];
    }
}
