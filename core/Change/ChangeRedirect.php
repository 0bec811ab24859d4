<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Redirect\RuleReader;
use Heronstem\Core\Workspace\Workspace;

/** Changes some fields of a redirect rule: what it answers for, where it leads, how, when, whether it is on. */
final readonly class ChangeRedirect implements Change, NamesRedirect
{
    use NamesItsRedirect;

    /** @param  array<string, mixed>  $fields those that change, as RuleReader reads them */
    public function __construct(public string $redirect, public array $fields)
    {
    }

    public function on(Workspace $workspace): void
    {
        $rule = (new RuleReader($workspace->rules(), $workspace->site->zone))->read(['id' => $this->redirect] + $this->fields, $this->rule($workspace));
        $this->guard($rule, $workspace);
        $workspace->redirects->put($rule);
    }

    public function toArray(): array
    {
        return ['kind' => 'change-redirect', 'redirect' => $this->redirect] + $this->fields;
    }
}
