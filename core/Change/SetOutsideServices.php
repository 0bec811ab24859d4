<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Search\OutsideServices;
use Heronstem\Core\Workspace\Workspace;

/** Switches on or off what the site asks of the world outside: trying links to other sites, telling search engines of changes. */
final readonly class SetOutsideServices implements RequestedChange
{
    use HasShape;

    public function __construct(private ?bool $checksLinks = null, private ?bool $tellsEngines = null)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of(
            'set-outside-services',
            Subject::Whole,
            Field::flag('checksLinks', 'whether links to other sites are tried')->optional(),
            Field::flag('tellsEngines', 'whether search engines are told of pages that changed (IndexNow)')->optional(),
        );
    }

    public static function read(ChangeInput $input): self
    {
        $read = new self($input->flag('checksLinks'), $input->flag('tellsEngines'));

        return $read->given() === [] ? throw new InputRefused('checksLinks', 'Say what is switched on or off: checksLinks, tellsEngines.') : $read;
    }

    public function on(Workspace $workspace): void
    {
        $stands = $workspace->search()->outside;
        $services = new OutsideServices($this->checksLinks ?? $stands->checksLinks, $this->tellsEngines ?? $stands->tellsEngines);
        if ($services->toArray() === $stands->toArray()) {
            throw new NothingToChange(array_key_first($this->given()) ?? 'checksLinks', 'It is set like this already.');
        }
        $workspace->setSearch($workspace->search()->withOutside($services));
    }

    public function pagesNamed(): array
    {
        return [];
    }

    public function sentence(Outcome $outcome): string
    {
        $called = ['checksLinks' => 'checking of links to other sites', 'tellsEngines' => 'telling search engines of changes'];
        $said = [];
        foreach ($this->given() as $field => $isOn) {
            $said[] = ($isOn ? 'on ' : 'off ').$called[$field];
        }

        return 'Switched '.implode(' and ', $said);
    }

    public function toArray(): array
    {
        return ['kind' => 'set-outside-services', ...$this->given()];
    }

    /** @return array<string, bool> */
    private function given(): array
    {
        return array_filter(
            ['checksLinks' => $this->checksLinks, 'tellsEngines' => $this->tellsEngines],
            static fn (?bool $value): bool => $value !== null,
        );
    }
}
