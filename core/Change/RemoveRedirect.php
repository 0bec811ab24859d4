<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Workspace\Workspace;

/** Removes a redirect rule. An address where visitors once got a page says that it is gone; any other may say so, or be free. */
final readonly class RemoveRedirect implements NamesRedirect, RequestedChange
{
    use HasShape, NamesItsRedirect;

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

    public static function shape(): Shape
    {
        return Shape::of('remove-redirect', Subject::Redirect, Field::flag('gone', 'the address says from now on that it is gone')->optional());
    }

    public static function read(ChangeInput $input): self
    {
        return $input->flag('gone') === true ? self::leavingGone($input->identity('redirect')) : self::leavingFree($input->identity('redirect'));
    }

    public function on(Workspace $workspace): void
    {
        $rule = $this->rule($workspace);
        $this->isGone && $rule->claims() ? $workspace->redirects->removeAsGone($rule->id) : $workspace->redirects->remove($rule->id);
    }

    public function sentence(Outcome $outcome): string
    {
        return "Removed the redirect of {$outcome->redirect($this->redirect)}";
    }

    public function toArray(): array
    {
        return ['kind' => 'remove-redirect', 'redirect' => $this->redirect, 'gone' => $this->isGone];
    }
}
