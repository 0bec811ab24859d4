<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Redirect\RuleReader;
use Heronstem\Core\Workspace\Workspace;

/** Changes some fields of a redirect rule: what it answers for, where it leads, how, when, whether it is on. */
final readonly class ChangeRedirect implements NamesFiles, NamesRedirect, RequestedChange
{
    use HasShape, NamesItsRedirect;

    /** @param  array<string, mixed>  $fields those that change, as RuleReader reads them */
    public function __construct(public string $redirect, public array $fields)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of('change-redirect', Subject::Redirect, ...RuleFields::all());
    }

    public static function read(ChangeInput $input): self
    {
        return new self($input->identity('redirect'), RuleFields::read($input));
    }

    public function on(Workspace $workspace): void
    {
        $rule = (new RuleReader($workspace->rules(), $workspace->site->zone))->read(
            ['id' => $this->redirect] + $this->fields,
            $this->rule($workspace),
        );
        $this->guard($rule, $workspace);
        $workspace->redirects->put($rule);
    }

    public function filesNamed(): array
    {
        $file = is_array($this->fields['leadsTo'] ?? null) ? $this->fields['leadsTo']['file'] ?? null : null;

        return is_string($file) ? ['leadsTo' => $file] : [];
    }

    public function sentence(Outcome $outcome): string
    {
        $name = $outcome->redirect($this->redirect);

        return array_keys($this->fields) === ['isOn']
            ? "Switched the redirect of $name ".($this->fields['isOn'] === true ? 'on' : 'off')
            : "Changed the redirect of $name";
    }

    public function toArray(): array
    {
        return ['kind' => 'change-redirect', 'redirect' => $this->redirect] + $this->fields;
    }
}
