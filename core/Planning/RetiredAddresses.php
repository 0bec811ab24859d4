<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Decision\Answer;
use Heronstem\Core\Decision\QuestionKind;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\ClaimOverlay;
use Heronstem\Core\Workspace\Workspace;

/**
 * What the addresses of retired pages answer from now on: those that visitors knew send on to the nearest live page
 * above or to one that is named, or are recorded as gone; the others are kept for the day they come back.
 */
final class RetiredAddresses
{
    /** @var array<string, list<Claim>> claims of pages that go into the bin, by the one that takes them along */
    private array $claims = [];

    /** @param  array<string, Page|null>  $outcome */
    public function __construct(private readonly Workspace $workspace, private readonly array $outcome, private readonly ClaimOverlay $sheet)
    {
    }

    /**
     * @param  list<Claim>  $about
     *
     * @throws InputRefused when the page that is to inherit cannot
     */
    public function retire(array $about): void
    {
        foreach ($about as $claim) {
            $page = $claim->page === null ? null : $this->outcome[$claim->page] ?? null;
            $wasThere = $page !== null && $this->workspace->before($page->id)?->isBinned() === false;
            if ($page !== null && $page->isBinned() && $wasThere && ! $this->sheet->isPlanned($claim->address->key)) {
                $this->claims[(string) $page->bin][] = $claim;
            }
        }
        foreach ($this->claims as $root => $claims) {
            $this->settle($this->workspace->known((string) $root), $claims);
        }
    }

    /** @param  list<Claim>  $claims */
    private function settle(Page $root, array $claims): void
    {
        $known = count(array_filter($claims, static fn (Claim $claim): bool => $claim->everLive));
        $heir = $this->heirOf($root);
        $default = $heir === null ? Answer::Gone : Answer::Parent;
        $answers = array_values(array_filter(QuestionKind::Retired->answers(), static fn (Answer $answer): bool => $answer !== Answer::Parent || $heir !== null));
        $decided = $known > 0
            ? $this->workspace->ask(QuestionKind::Retired, $root, $known, $answers, $default, true, $heir)
            : $this->workspace->decisions->on(QuestionKind::Retired, $root->id, $default);
        $to = $this->inheritor($decided->answer ?? $default, $decided?->to, $heir);
        foreach ($claims as $claim) {
            $for = $claim->heldFor ?? (string) $claim->page;
            $this->sheet->set($claim->address->key, match (true) {
                ! $claim->everLive => Claim::inBin($claim->address, $for),
                $to === null => Claim::gone($claim->address, $for),
                default => Claim::redirectTo($claim->address, $to, true, $for),
            });
        }
    }

    private function heirOf(Page $root): ?Page
    {
        foreach ($this->workspace->ancestors($root) as $above) {
            if ($above->isLive()) {
                return $above;
            }
        }

        return null;
    }

    private function inheritor(Answer $answer, ?string $named, ?Page $heir): ?string
    {
        if ($answer === Answer::Parent && $heir === null) {
            throw new InputRefused('decisions', 'No live page is above this one. Name a page, or record its addresses as gone.');
        }
        if ($answer === Answer::Page) {
            $page = $this->workspace->page((string) $named, 'decisions');
            if (! $page->isLive()) {
                throw new InputRefused('decisions', "“{$page->name}” is not live, so visitors sent there would get nothing. Choose a live page.");
            }

            return $page->id;
        }

        return $answer === Answer::Parent ? $heir?->id : null;
    }
}
