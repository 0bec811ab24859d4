<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Tree\PageState;
use Heronstem\Core\Workspace\Workspace;

/** Asks for a look at a page before it goes live, with a line on what to look at. */
final readonly class SendForReview implements RequestedChange
{
    use HasShape, NamesItsPage;

    public function __construct(public string $page, public string $note = '')
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('send-for-review', Subject::Pages, Field::text('note', 'what to look at')->optional());
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page(), $input->note());
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->page($this->page);
        if ($page->state === PageState::InReview || $page->isLive()) {
            throw new NothingToChange('page', "“{$page->name}” is ".($page->isLive() ? 'live' : 'in review').' already.');
        }
        $workspace->pages->put($page->inState(PageState::InReview)->with(['reviewNote' => $this->note]));
    }

    public function sentence(Outcome $outcome): string
    {
        return "Sent {$outcome->page($this->page)} for review";
    }

    public function toArray(): array
    {
        return ['kind' => 'send-for-review', 'page' => $this->page, 'note' => $this->note];
    }
}
