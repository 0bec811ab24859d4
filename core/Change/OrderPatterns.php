<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Redirect\Rule;
use Heronstem\Core\Redirect\RuleScope;
use Heronstem\Core\Workspace\Workspace;

/** Sets the order in which patterns are tried. Patterns that are not named come after, in the order they have. */
final readonly class OrderPatterns implements RequestedChange
{
    use HasShape;

    /** @param  list<string>  $redirects  the first is tried first */
    public function __construct(public array $redirects)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('order-patterns', Subject::Whole, Field::list('redirects', ['type' => 'string']));
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->identities('redirects'));
    }

    public function on(Workspace $workspace): void
    {
        $patterns = array_values(
            array_filter($workspace->redirects->withoutClaim(), static fn (Rule $rule): bool => $rule->scope === RuleScope::Pattern),
        );
        usort($patterns, Rule::inOrder(...));
        $known = array_column($patterns, null, 'id');
        foreach ($this->redirects as $i => $id) {
            if (! isset($known[$id])) {
                throw new InputRefused("redirects.$i", 'There is no such pattern on this site. Reload the addresses.');
            }
        }
        $order = array_values(array_unique([...$this->redirects, ...array_map(strval(...), array_keys($known))]));
        $isChanged = false;
        foreach ($order as $i => $id) {
            if ($known[$id]->position !== $i + 1) {
                $workspace->redirects->put($known[$id]->with(['position' => $i + 1]));
                $isChanged = true;
            }
        }
        if (! $isChanged) {
            throw new NothingToChange('redirects', 'The patterns stand in this order already.');
        }
    }

    public function pagesNamed(): array
    {
        return [];
    }

    public function sentence(Outcome $outcome): string
    {
        return 'Put the patterns in order';
    }

    public function toArray(): array
    {
        return ['kind' => 'order-patterns', 'redirects' => $this->redirects];
    }
}
