<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure\Change;

use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Structure\AlreadySo;
use Heronstem\Core\Structure\ChangeRefused;
use Heronstem\Core\Structure\TargetKind;
use Heronstem\Core\Structure\Workspace;

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

    /** @throws ChangeRefused when there is no such rule on the site */
    private function rule(Workspace $workspace): Rule
    {
        return $workspace->redirects->find($this->redirect) ?? throw new ChangeRefused('redirect', 'There is no such redirect on this site. It may have been removed; reload the addresses.');
    }

    /** @throws ChangeRefused when it leads where nobody can get, or another rule does the same */
    private function guard(Rule $rule, Workspace $workspace): void
    {
        if ($rule->target?->kind === TargetKind::Page) {
            $page = $workspace->known($rule->target->value, 'leadsTo');
            if ($page->isBinned()) {
                throw new ChangeRefused('leadsTo', "“{$page->name}” is in the bin. Bring it back first, or choose another page.");
            }
        }
        $twin = $workspace->redirects->twinOf($rule);
        if ($twin !== null) {
            throw new ChangeRefused('source', "There is a redirect of {$twin->source} already. Change that one.", $twin->id);
        }
        $now = $workspace->redirects->find($rule->id);
        if ($now !== null && $now->toArray() === $rule->toArray()) {
            throw new AlreadySo('redirect', "The redirect of {$rule->source} is like this already.");
        }
    }
}
