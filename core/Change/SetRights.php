<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Access\Line;
use Heronstem\Core\Access\Right;
use Heronstem\Core\Access\Says;
use Heronstem\Core\Access\Who;
use Heronstem\Core\Identity;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Workspace\Workspace;

/** Says of rights of roles and people that they are allowed, denied, or nothing: cells of the grid of rights. */
final readonly class SetRights implements RequestedChange
{
    use HasShape;

    /** Cells that are set at once. */
    private const MOST = 1000;

    /** @param  list<array{who: Who, branch: string|null, right: Right, says: Says|null}>  $cells */
    private function __construct(private array $cells)
    {
    }

    public static function shape(): Shape
    {
        return Shape::of(
            'set-rights',
            Subject::Whole,
            Field::list('lines', [
                'type' => 'object',
                'required' => ['who', 'right'],
                'properties' => [
                    'who' => ['type' => 'string', 'description' => 'role: and the key of a role, or person: and the identity of a person'],
                    'branch' => ['type' => ['string', 'null'], 'description' => 'the page at its top; null for the whole site'],
                    'right' => ['type' => 'string', 'enum' => array_column(Right::cases(), 'value')],
                    'says' => [
                        'type' => ['string', 'null'],
                        'enum' => [...array_column(Says::cases(), 'value'), null],
                        'description' => 'null for nothing',
                    ],
                ],
            ]),
        );
    }

    public static function read(ChangeInput $input): self
    {
        $read = self::of($input->list('lines'));
        foreach ($read->cells as $i => ['branch' => $branch]) {
            if ($branch !== null && ! Identity::names($branch)) {
                throw new InputRefused("lines.$i.branch", 'This is the identity of a page.');
            }
        }

        return $read;
    }

    /**
     * @param  list<mixed>  $given  lines as the API has them
     *
     * @throws InputRefused naming the line
     */
    public static function of(array $given): self
    {
        if ($given === [] || count($given) > self::MOST) {
            throw new InputRefused('lines', sprintf('Say of which rights, one to %d lines.', self::MOST));
        }
        $cells = [];
        foreach ($given as $i => $line) {
            $cells[] = self::cell(is_array($line) ? $line : [], "lines.$i");
        }

        return new self($cells);
    }

    public function on(Workspace $workspace): void
    {
        $access = $workspace->access();
        foreach ($this->cells as $i => $cell) {
            if ($cell['branch'] !== null) {
                $workspace->pages->page($cell['branch'], "lines.$i.branch");
            }
            $access = $access->says($cell['who'], $cell['branch'], $cell['right'], $cell['says'], "lines.$i");
        }
        if ($access->lines == $workspace->access()->lines) {
            throw new NothingToChange('lines', 'This is said like that already.');
        }
        $workspace->setAccess($access);
    }

    public function pagesNamed(): array
    {
        return array_values(array_unique(array_filter(array_column($this->cells, 'branch'), static fn (?string $branch): bool => $branch !== null)));
    }

    public function sentence(Outcome $outcome): string
    {
        $who = array_unique(array_map(static fn (array $cell): string => $cell['who']->toText(), $this->cells));
        if (count($who) > 1) {
            return 'Set rights of '.count($who).' roles and people';
        }
        $of = $this->cells[0]['who'];
        $name = $of->isRole ? "the role {$outcome->role($of->id)}" : $outcome->person($of->id);
        $branches = array_unique(array_column($this->cells, 'branch'));
        $where = count($branches) > 1 ? ' in several branches' : ($branches[0] === null ? '' : " in {$outcome->page($branches[0])}");
        if (count($this->cells) > 1) {
            return "Set rights of $name$where";
        }
        $right = $this->cells[0]['right']->label();

        return match ($this->cells[0]['says']) {
            Says::Allow => "Allowed $name to $right$where",
            Says::Deny => "Denied $name to $right$where",
            null => "Said nothing any more of whether $name may $right$where",
        };
    }

    public function toArray(): array
    {
        return [
            'kind' => 'set-rights',
            'lines' => array_map(
                static fn (array $cell): array => [
                    'who' => $cell['who']->toText(),
                    'branch' => $cell['branch'],
                    'right' => $cell['right']->value,
                    'says' => $cell['says']?->value,
                ],
                $this->cells,
            ),
        ];
    }

    /**
     * @param  array<mixed>  $line
     * @return array{who: Who, branch: string|null, right: Right, says: Says|null}
     */
    private static function cell(array $line, string $field): array
    {
        $branch = $line['branch'] ?? null;
        $says = $line['says'] ?? null;

        return [
            'who' => Who::read($line['who'] ?? null, "$field.who"),
            'branch' => $branch === null || (is_string($branch) && $branch !== '')
                    ? $branch
                    : throw new InputRefused("$field.branch", 'This is the identity of a page.'),
            'right' => Right::read($line['right'] ?? null, "$field.right"),
            'says' => $says === null
                    ? null
                    : (is_string($says) ? Says::tryFrom($says) : null) ??
                        throw new InputRefused("$field.says", 'This is allow, deny, or null for nothing.'),
        ];
    }
}
