<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Linking\TargetKind;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleReader;
use Heronstem\Core\Redirect\RuleScope;
use Heronstem\Core\Workspace\Workspace;

/** Makes a redirect rule. A pattern without a position comes after all others. */
final readonly class MakeRedirect implements NamesFiles, NamesRedirect, RequestedChange
{
    use HasShape, NamesItsRedirect;

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

    public static function shape(): Shape
    {
        return Shape::of('make-redirect', Subject::Redirect, ...RuleFields::forNew());
    }

    public static function read(ChangeInput $input): self
    {
        return new self((new RuleReader($input->rules, $input->zone))->read(['id' => $input->identity('redirect')] + RuleFields::read($input)));
    }

    public function on(Workspace $workspace): void
    {
        if ($workspace->redirects->find($this->rule->id) !== null) {
            throw new InputRefused('redirect', 'This identity belongs to a redirect already. Take a new one.');
        }
        $rule = $this->rule;
        if ($rule->scope === RuleScope::Pattern && $rule->position === 0) {
            $patterns = array_filter($workspace->redirects->withoutClaim(), static fn (Rule $each): bool => $each->scope === RuleScope::Pattern);
            $rule = $rule->with(['position' => 1 + max([0, ...array_map(static fn (Rule $each): int => $each->position, array_values($patterns))])]);
        }
        $this->guard($rule, $workspace);
        $workspace->redirects->put($rule);
    }

    public function filesNamed(): array
    {
        return $this->rule->target?->kind === TargetKind::File ? ['leadsTo' => $this->rule->target->value] : [];
    }

    public function sentence(Outcome $outcome): string
    {
        return RedirectWords::made($this->rule, $outcome);
    }

    public function toArray(): array
    {
        return ['kind' => 'make-redirect', 'redirect' => $this->rule->id] + array_diff_key(RuleReader::written($this->rule), ['id' => true]);
    }
}
