<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Tree\PageState;
use Heronstem\Core\Workspace\Workspace;

/** Gives a page in review back, with a line on what is missing. */
final readonly class ReturnToWriter implements RequestedChange
{
    use HasShape, NamesItsPage;

    public function __construct(public string $page, public string $note = '')
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('return-to-writer', Subject::Pages, Field::text('note', 'what is missing')->optional());
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->page(), $input->note());
    }

    public function on(Workspace $workspace): void
    {
        $page = $workspace->pages->page($this->page);
        if ($page->state !== PageState::InReview) {
            throw new NothingToChange('page', "“{$page->name}” is not in review.");
        }
        $workspace->pages->put($page->inState($page->everLive ? PageState::Offline : PageState::Draft)->with(['reviewNote' => $this->note]));
    }

    public function sentence(Outcome $outcome): string
    {
        return "Returned {$outcome->page($this->page)} to its writer";
    }

    public function toArray(): array
    {
        return ['kind' => 'return-to-writer', 'page' => $this->page, 'note' => $this->note];
    }
}
