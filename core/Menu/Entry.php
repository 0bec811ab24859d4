<?php

declare(strict_types=1);

namespace Heronstem\Core\Menu;

use Heronstem\Core\Linking\Target;
use Heronstem\Core\Moment;
use Heronstem\Core\Values;

/** One entry of a menu, or one page of a list of picks, as somebody set it. */
final readonly class Entry
{
    /**
     * @param  string|null  $parent  the entry it stands under
     * @param  int  $position  orders entries under one parent; unique among them
     * @param  Target|null  $leadsTo  what it leads to; of a branch the page it is filled from, null for the top of the tree
     * @param  string  $label  empty to follow the page's name
     * @param  string  $title  of the link, for those who point at it
     * @param  BranchContents|null  $contents  of a branch only
     * @param  string  $text  of picks: the card's text, empty to follow the page
     * @param  string|null  $picture  of picks: a file, null to follow the page
     * @param  Closed  $closed  what those get who may not see the page, or pages that a branch shows
     */
    public function __construct(
        public string $id,
        public ?string $parent,
        public int $position,
        public EntryKind $kind,
        public ?Target $leadsTo = null,
        public string $label = '',
        public string $title = '',
        public bool $newWindow = false,
        public Audience $audience = new Audience(),
        public ?Moment $from = null,
        public ?Moment $until = null,
        public ?BranchContents $contents = null,
        public string $text = '',
        public ?string $picture = null,
        public Closed $closed = Closed::LeftOut,
    ) {
    }

    /** The page it leads to, or that it is filled from. */
    public function page(): ?string
    {
        return in_array($this->kind, [EntryKind::Page, EntryKind::Branch], true) ? $this->leadsTo?->value : null;
    }

    /**
     * Of a branch: the pages between its root and a page, from the top down and that page last; null where it does not go
     * down to the page. Whether any of them is shown is another question.
     *
     * @param  list<string>  $line  the page with all that stands above it, from the top of the tree down
     * @return list<string>|null
     */
    public function wayTo(array $line): ?array
    {
        if ($this->kind !== EntryKind::Branch || $this->contents === null) {
            return null;
        }
        $root = $this->page() === null ? 0 : array_search($this->page(), $line, true);
        $way = $root === false ? [] : array_slice($line, $this->page() === null ? 0 : $root + 1);

        return $way === [] || count($way) > $this->contents->depth ? null : $way;
    }

    /** @param  array<string, mixed>  $fields fields under their constructor names */
    public function with(array $fields): self
    {
        return new self(...[...Values::of($this), ...$fields]);
    }

    /** @return array<string, mixed> every field, as the history keeps it and EntryReader reads it */
    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'parent' => $this->parent,
            'position' => $this->position,
            'kind' => $this->kind->value,
            'leadsTo' => $this->leadsTo?->toText(),
            'label' => $this->label,
            'title' => $this->title,
            'newWindow' => $this->newWindow,
            'audience' => $this->audience->toText(),
            'from' => $this->from?->iso(),
            'until' => $this->until?->iso(),
            'contents' => $this->contents?->toArray(),
            'text' => $this->text,
            'picture' => $this->picture,
            'closed' => $this->closed->value,
        ];
    }

    /** @param  array<string, mixed>  $kept as toArray gave it */
    public static function fromArray(array $kept): self
    {
        return new self(
            $kept['id'],
            $kept['parent'],
            $kept['position'],
            EntryKind::from($kept['kind']),
            $kept['leadsTo'] === null ? null : Target::stored($kept['leadsTo']),
            $kept['label'],
            $kept['title'],
            $kept['newWindow'],
            Audience::read($kept['audience']),
            $kept['from'] === null ? null : Moment::stored($kept['from']),
            $kept['until'] === null ? null : Moment::stored($kept['until']),
            $kept['contents'] === null ? null : BranchContents::fromArray($kept['contents']),
            $kept['text'],
            $kept['picture'],
            Closed::tryFrom($kept['closed'] ?? '') ?? Closed::LeftOut,
        );
    }
}
