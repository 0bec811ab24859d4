<?php

declare(strict_types=1);

namespace Heronstem\Core\Planning;

use Heronstem\Core\Decision\Answer;
use Heronstem\Core\Decision\Question;
use Heronstem\Core\Decision\QuestionKind;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Ledger\Claim;
use Heronstem\Core\Tree\Page;
use Heronstem\Core\Workspace\Workspace;

/**
 * What the addresses of retired pages answer from now on: those that visitors knew send on to the nearest live page
 * above or to one that is named, or are recorded as gone; the others are kept for the day they come back.
 */
final class RetiredAddresses
{
    /**
     * @return list<Question>
     *
     * @throws InputRefused when the page that is to inherit cannot
     */
    public static function retire(ClaimsInQuestion $question): array
    {
        $questions = [];
        foreach (self::byRoot($question) as $root => $claims) {
            array_push($questions, ...self::settle($question, $question->workspace->pages->known((string) $root), $claims));
        }

        return $questions;
    }

    /** @return array<string, non-empty-list<Claim>> claims of pages that go into the bin, by the one that takes them along */
    private static function byRoot(ClaimsInQuestion $question): array
    {
        $found = [];
        foreach ($question->about as $claim) {
            $page = $claim->page === null ? null : $question->outcome->find($claim->page);
            $wasThere = $page !== null && $question->workspace->pages->before($page->id)?->isBinned() === false;
            if ($page !== null && $page->isBinned() && $wasThere && ! $question->claims->isPlanned($claim->address->key)) {
                $found[(string) $page->bin][] = $claim;
            }
        }

        return $found;
    }

    /**
     * @param  non-empty-list<Claim>  $claims
     * @return list<Question>
     */
    private static function settle(ClaimsInQuestion $question, Page $root, array $claims): array
    {
        $known = count(array_filter($claims, static fn (Claim $claim): bool => $claim->everLive));
        $heir = self::heirOf($root, $question->workspace);
        $default = $heir === null ? Answer::Gone : Answer::Parent;
        $answers = array_values(
            array_filter(QuestionKind::Retired->answers(), static fn (Answer $answer): bool => $answer !== Answer::Parent || $heir !== null),
        );
        $asked = Question::of($question->workspace->decisions, QuestionKind::Retired, $root, $known, $answers, $default, true, $heir);
        $to = self::inheritor($asked->decided->answer ?? $default, $asked->decided?->to, $heir, $question->workspace);
        foreach ($claims as $claim) {
            $for = $claim->heldFor ?? (string) $claim->page;
            $question->claims->set(
                $claim->address->key,
                match (true) {
                    ! $claim->everLive => Claim::inBin($claim->address, $for),
                    $to === null => Claim::gone($claim->address, $for),
                    default => Claim::redirectTo($claim->address, $to, true, $for),
                },
            );
        }

        return $known > 0 ? [$asked] : [];
    }

    private static function heirOf(Page $root, Workspace $workspace): ?Page
    {
        foreach ($workspace->pages->ancestors($root) as $above) {
            if ($above->isLive()) {
                return $above;
            }
        }

        return null;
    }

    private static function inheritor(Answer $answer, ?string $named, ?Page $heir, Workspace $workspace): ?string
    {
        if ($answer === Answer::Parent && $heir === null) {
            throw new InputRefused('decisions', 'No live page is above this one. Name a page, or record its addresses as gone.');
        }
        if ($answer === Answer::Page) {
            $page = $workspace->pages->page((string) $named, 'decisions');
            if (! $page->isLive()) {
                throw new InputRefused('decisions', "“{$page->name}” is not live, so visitors sent there would get nothing. Choose a live page.");
            }

            return $page->id;
        }

        return $answer === Answer::Parent ? $heir?->id : null;
    }
}
