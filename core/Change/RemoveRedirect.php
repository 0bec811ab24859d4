<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Workspace\Workspace;

/** Removes a redirect rule. An address where visitors once got a page says that it is gone; any other may say so, or be free. */
final readonly class RemoveRedirect implements Change, NamesRedirect
{
    use NamesItsRedirect;

    private function __construct(public string $redirect, private bool $isGone)
    {
    }

    public static function leavingFree(string $redirect): self
    {
        return new self($redirect, false);
    }

    public static function leavingGone(string $redirect): self
    {
        return new self($redirect, true);
    }

    public function on(Workspace $workspace): void
    {
        $rule = $this->rule($workspace);
        $this->isGone && $rule->claims() ? $workspace->redirects->removeAsGone($rule->id) : $workspace->redirects->remove($rule->id);
    }

    public function toArray(): array
    {
        return ['kind' => 'remove-redirect', 'redirect' => $this->redirect, 'gone' => $this->isGone];
    }
}
