<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\InputRefused;
use Heronstem\Core\Search\RobotsComposer;
use Heronstem\Core\Workspace\Workspace;

/** Sets the lines of the site's robots.txt (RFC 9309). Lines that shut out everybody are taken only where that is said to be meant. */
final readonly class SetRobots implements RequestedChange
{
    use HasShape;

    public function __construct(private string $lines, private bool $shutsOut = false)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of(
            'set-robots',
            Subject::Whole,
            Field::text('robots', 'lines of robots.txt; empty for none'),
            Field::flag('shutsOut', 'true where keeping all crawlers from the whole site is meant')->optional(),
        );
    }

    public static function read(ChangeInput $input): self
    {
        return new self(RobotsComposer::guard($input->text('robots')), $input->flag('shutsOut') ?? false);
    }

    public function on(Workspace $workspace): void
    {
        if (RobotsComposer::shutsOutAll($this->lines) && ! $this->shutsOut) {
            throw new InputRefused(
                'robots',
                'These lines keep every crawler away from the whole site: it will vanish from search results. Say so once more if that is meant.',
            );
        }
        if ($workspace->search()->robots === $this->lines) {
            throw new NothingToChange('robots', 'These are the lines already.');
        }
        $workspace->setSearch($workspace->search()->withRobots($this->lines));
    }

    public function pagesNamed(): array
    {
        return [];
    }

    public function sentence(Outcome $outcome): string
    {
        return 'Changed robots.txt';
    }

    public function toArray(): array
    {
        return ['kind' => 'set-robots', 'robots' => $this->lines, ...$this->shutsOut ? ['shutsOut' => true] : []];
    }
}
