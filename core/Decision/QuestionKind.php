<?php

declare(strict_types=1);

namespace Heronstem\Core\Decision;

enum QuestionKind: string
{
    case Retired = 'retired';
    case ChildrenOf = 'children-of';
    case DraftsBelow = 'drafts-below';
    /** Whether links written as addresses are turned into links to the pages they mean. */
    case RawLinks = 'raw-links';
    /** What becomes of menu entries made by hand that lead to a page which moves or is retired. */
    case MenuEntries = 'menu-entries';

    /** Undoing: whether addresses of the page that visitors knew only in between go on answering. */
    case InBetween = 'in-between';

    /** @return list<Answer> */
    public function answers(): array
    {
        return match ($this) {
            self::Retired => [Answer::Parent, Answer::Gone, Answer::Page],
            self::ChildrenOf => [Answer::Along, Answer::Up],
            self::DraftsBelow => [Answer::Leave, Answer::Live],
            self::MenuEntries => [Answer::Leave, Answer::Remove],
            self::InBetween => [Answer::Redirect, Answer::Free],
            self::RawLinks => [Answer::Leave, Answer::Rewrite],
        };
    }
}
