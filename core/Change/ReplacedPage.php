<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Content\Document;
use Heronstem\Core\Content\InvalidDocument;
use Heronstem\Core\Content\Layout\Layout;
use Heronstem\Core\Content\Replace\Found;
use Heronstem\Core\Content\Replace\Part;
use Heronstem\Core\Content\Replace\ReplacedDocument;
use Heronstem\Core\Content\Replace\ReplacedFields;
use Heronstem\Core\Content\Replace\Replacement;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Refusal;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Tree\PageName;
use Heronstem\Core\Tree\PageTexts;

/**
 * One page with what was found on it and how it is afterwards. What visitors get and what waits to be published are looked
 * through apart where they differ.
 */
final class ReplacedPage
{
    /** @var list<FoundPlace> */
    public array $places = [];

    public ?PageName $name = null;

    public PageTexts $texts;

    public ?PageTexts $prepared;

    /** The content that was saved last, where it is another now. */
    public ?Document $working = null;

    /** What visitors get, where it is another now and not what was saved last. */
    public ?Document $live = null;

    /** Numbers of the versions that these become; set by whoever keeps them. */
    public ?int $workingVersion = null;

    public ?int $liveVersion = null;

    /** @param  array<string, true>  $skip  keys of places that stay as they are */
    private function __construct(
        public readonly Page $page,
        private readonly Replacement $replacement,
        private readonly array $skip,
        private readonly bool $isChecked,
    ) {
        $this->texts = $page->texts;
        $this->prepared = $page->prepared;
    }

    /**
     * @param  Document|null  $working  what was saved last; null for none
     * @param  Document|null  $live  what visitors get, where that is another; null where it is the same, or none
     * @param  list<Part>  $parts
     * @param  array<string, true>  $skip  keys of places that stay as they are
     * @param  bool  $isChecked  content is held against its format: needed before it is kept, not where places are only looked at
     *
     * @throws InputRefused naming the page where something would no longer be taken
     */
    public static function of(
        Page $page,
        ?Document $working,
        ?Document $live,
        Layout $layout,
        Replacement $replacement,
        array $parts,
        array $skip,
        bool $isChecked = true,
    ): self {
        $self = new self($page, $replacement, $skip, $isChecked);
        try {
            foreach ($parts as $part) {
                match ($part) {
                    Part::Names => $self->name(),
                    Part::Content => $self->content($working, $live),
                    Part::Fields => $self->fields($layout),
                    default => $self->texts($part),
                };
            }
        } catch (Refusal $no) {
            throw new InputRefused($no->field === 'find' ? 'find' : 'with', "“{$page->name}”: {$no->reason}");
        }

        return $self;
    }

    /** Whether anything of the page is another afterwards. */
    public function isChanged(): bool
    {
        return array_filter($this->places, static fn (FoundPlace $place): bool => $place->isTaken) !== [];
    }

    private function name(): void
    {
        $name = $this->text('name', $this->page->name, false);
        $this->name = $name === $this->page->name ? null : PageName::of($name);
    }

    private function texts(Part $part): void
    {
        foreach ($part->texts() as $field) {
            $now = ($this->page->prepared ?? $this->page->texts)->{$field} ?? '';
            $live = $this->page->texts->{$field} ?? '';
            $changed = $this->text($field, $now, false);
            if ($this->prepared !== null) {
                $this->prepared = $this->prepared->changed([$field => $changed], $this->page->name);
            }
            $this->texts = $this->texts->changed([$field => $live === $now ? $changed : $this->text($field, $live, true)], $this->page->name);
        }
    }

    private function fields(Layout $layout): void
    {
        $live = $this->page->texts->fields;
        $now = $this->page->prepared->fields ?? $live;
        $isSame = $now === $live || $now->toText() === $live->toText();
        foreach ($isSame ? [false] : [false, true] as $isLive) {
            $taken = fn (string $where, int $n): bool => $this->takes($this->key("fields.$where", $isLive, $n));
            [$changed, $found] = ReplacedFields::of($isLive ? $live : $now, $layout, $this->replacement, $taken);
            $count = [];
            foreach ($found as [$where, $text, $each]) {
                $n = $count[$where] = ($count[$where] ?? -1) + 1;
                $this->note("fields.$where", $isLive, $n, $text, $each);
            }
            if (! $isLive && $this->prepared !== null) {
                $this->prepared = $this->prepared->withFields($changed);
            }
            if ($isLive || $isSame) {
                $this->texts = $this->texts->withFields($changed);
            }
        }
    }

    private function content(?Document $working, ?Document $live): void
    {
        $this->working = $working === null ? null : $this->document($working, false);
        $this->live = $live === null ? null : $this->document($live, true);
    }

    /** @throws InvalidDocument */
    private function document(Document $document, bool $isLive): ?Document
    {
        $takes = fn (int $n): bool => $this->takes($this->key('content', $isLive, $n));
        [$changed, $found] = ReplacedDocument::of($document, $this->replacement, $takes, $this->isChecked);
        foreach ($found as $n => [$text, $each]) {
            $this->note('content', $isLive, $n, $text, $each);
        }

        return $changed->blocks === $document->blocks ? null : $changed;
    }

    private function text(string $where, string $text, bool $isLive): string
    {
        $taken = [];
        foreach ($text === '' ? [] : $this->replacement->in($text) as $n => $found) {
            $this->note($where, $isLive, $n, $text, $found);
            if ($this->takes($this->key($where, $isLive, $n))) {
                $taken[] = $found;
            }
        }

        return Replacement::made($text, $taken);
    }

    private function note(string $where, bool $isLive, int $n, string $text, Found $found): void
    {
        $key = $this->key($where, $isLive, $n);
        $this->places[] = FoundPlace::of($key, $where, $isLive, $text, $found, $this->takes($key));
    }

    private function takes(string $key): bool
    {
        return ! isset($this->skip[$key]);
    }

    private function key(string $where, bool $isLive, int $n): string
    {
        return "{$this->page->id}/$where".($isLive ? '/live' : '')."/$n";
    }
}
