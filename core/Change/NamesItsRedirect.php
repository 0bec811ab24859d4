<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Linking\TargetKind;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Workspace\Workspace;

/** Of changes that are made to one redirect rule. */
trait NamesItsRedirect
{
    public function pagesNamed(): array
    {
        return [];
    }

    public function redirectNamed(): string
    {
        return $this->redirect;
    }

    /** @throws InputRefused when there is no such rule on the site */
    private function rule(Workspace $workspace): Rule
    {
        return $workspace->redirects->find($this->redirect) ??
            throw new InputRefused('redirect', 'There is no such redirect on this site. It may have been removed; reload the addresses.');
    }

    /** @throws InputRefused when it leads where nobody can get, or another rule does the same */
    private function guard(Rule $rule, Workspace $workspace): void
    {
        if ($rule->target?->kind === TargetKind::Page) {
            $page = $workspace->pages->known($rule->target->value, 'leadsTo');
            if ($page->isBinned()) {
                throw new InputRefused('leadsTo', "“{$page->name}” is in the bin. Bring it back first, or choose another page.");
            }
        }
        $same = $workspace->redirects->sameSourceAs($rule);
        if ($same !== null) {
            throw new InputRefused('source', "There is a redirect of {$same->source} already. Change that one.", $same->id);
        }
        $now = $workspace->redirects->find($rule->id);
        if ($now !== null && $now->toArray() === $rule->toArray()) {
            throw new NothingToChange('redirect', "The redirect of {$rule->source} is like this already.");
        }
    }
}
