<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Tree\Tags;
use Heronstem\Core\Workspace\Workspace;

/** Calls a tag something else on every page that has it, or takes it from all of them. Renamed to one that is there, the two become one. */
final readonly class RenameTag implements RequestedChange
{
    use HasShape;

    /** @param  string|null  $to  null to remove it */
    public function __construct(public string $tag, public ?string $to)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('rename-tag', Subject::Whole, Field::text('tag'), Field::text('to', 'null to remove it from all pages')->orNull());
    }

    public static function read(ChangeInput $input): self
    {
        if ($input->only(['to']) === []) {
            throw new InputRefused('to', 'Say what the tag is called from now on; null to remove it.');
        }
        $to = $input->textOrNull('to');

        return new self(Tags::tag($input->text('tag'), 'tag'), $to === null ? null : Tags::tag($to, 'to'));
    }

    public function on(Workspace $workspace): void
    {
        $tagged = $workspace->pages->tagged($this->tag);
        if ($tagged === []) {
            throw new InputRefused('tag', "No page has the tag “{$this->tag}”. It may have been renamed meanwhile.");
        }
        if ($this->to === $this->tag) {
            throw new NothingToChange('to', "The tag is called “{$this->tag}” already.");
        }
        foreach ($tagged as $page) {
            $workspace->pages->put($page->with(['tags' => $page->tags->changed($this->to === null ? [] : [$this->to], [$this->tag])]));
        }
    }

    public function pagesNamed(): array
    {
        return [];
    }

    public function sentence(Outcome $outcome): string
    {
        return $this->to === null ? "Removed the tag “{$this->tag}”" : "Renamed the tag “{$this->tag}” to “{$this->to}”";
    }

    public function toArray(): array
    {
        return ['kind' => 'rename-tag', 'tag' => $this->tag, 'to' => $this->to];
    }
}
