<?php

declare(strict_types=1);

namespace Heronstem\Core\Structure\Change;

use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleReach;
use Heronstem\Core\Redirect\RuleReader;
use Heronstem\Core\Structure\Change;
use Heronstem\Core\Structure\ChangeRefused;
use Heronstem\Core\Structure\TargetKind;
use Heronstem\Core\Structure\Workspace;

/** Makes a redirect rule. A pattern without a position comes after all others. */
final readonly class MakeRedirect implements Change, NamesRedirect
{
    use NamesItsRedirect;

    public string $redirect;

    public function __construct(public Rule $rule)
    {
        $this->redirect = $rule->id;
    }

    /** The page it leads to. */
    public function pagesNamed(): array
    {
        return $this->rule->target?->kind === TargetKind::Page ? [$this->rule->target->value] : [];
    }

    public function on(Workspace $workspace): void
    {
        if ($workspace->redirects->find($this->rule->id) !== null) {
            throw new ChangeRefused('redirect', 'This identity belongs to a redirect already. Take a new one.');
        }
        $rule = $this->rule;
        if ($rule->reach === RuleReach::Pattern && $rule->position === 0) {
            $patterns = array_filter($workspace->redirects->standing(), static fn (Rule $each): bool => $each->reach === RuleReach::Pattern);
            $rule = $rule->with(['position' => 1 + max([0, ...array_map(static fn (Rule $each): int => $each->position, array_values($patterns))])]);
        }
        $this->guard($rule, $workspace);
        $workspace->redirects->put($rule);
    }

    public function toArray(): array
    {
        return ['kind' => 'make-redirect', 'redirect' => $this->rule->id] + array_diff_key(RuleReader::written($this->rule), ['id' => true]);
    }
}
