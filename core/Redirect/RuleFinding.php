<?php

declare(strict_types=1);

namespace Heronstem\Core\Redirect;

use Heronstem\Core\Linking\Target;

/** One thing noticed of a redirect rule, with what is needed to mend it. */
final readonly class RuleFinding
{
    /**
     * @param  string|null  $other  the rule that covers it, does the same, or comes next
     * @param  Target|null  $end  of a chain: what the rule could lead to itself, and answer every request just the same
     * @param  string|null  $page  the page that is hidden, or that holds the address
     * @param  bool  $isSure  decided; false where samples of a pattern were tried
     * @param  int  $days  since it was last used
     * @param  int  $steps  of a chain
     */
    public function __construct(
        public RuleFindingKind $kind,
        public Rule $rule,
        public ?string $other = null,
        public ?Target $end = null,
        public ?string $page = null,
        public bool $isSure = true,
        public int $days = 0,
        public int $steps = 0,
    ) {
    }

    /**
     * The change that mends it, as ChangeReader reads it: of a chain the target at its end, so that one hop leads there.
     * Null where somebody has to choose, and for chains that not every request takes to the same end.
     *
     * @return array<string, mixed>|null
     */
    public function mend(): ?array
    {
        $fields = match ($this->kind) {
            RuleFindingKind::Chain => $this->end === null ? null : ['leadsTo' => $this->end->toArray()],
            RuleFindingKind::Expired, RuleFindingKind::Loop, RuleFindingKind::NeverFires, RuleFindingKind::HidesPage, RuleFindingKind::Idle => [
                'isOn' => false,
            ],
            RuleFindingKind::DeadTarget, RuleFindingKind::GoneTarget => ['answer' => RuleAnswer::Gone->value, 'leadsTo' => null],
            RuleFindingKind::NotHttps => ['leadsTo' => ['url' => 'https:'.substr((string) $this->rule->target?->value, strlen('http:'))]],
            // Without it the branch answers just the same.
            RuleFindingKind::Doubled => ['kind' => 'remove-redirect', 'gone' => false],
        };

        return $fields === null ? null : $fields + ['kind' => 'change-redirect', 'redirect' => $this->rule->id];
    }
}
