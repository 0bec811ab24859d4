<?php

declare(strict_types=1);

namespace Heronstem\Core\Change;

use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Decision\DecisionReader;
use Heronstem\Core\Decision\Decisions;
use Heronstem\Core\Decision\WhenUnanswered;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Linking\OwnAddress;
use Heronstem\Core\Refusal;

/** Reads batches as the API and the history write them. */
final class ChangeReader
{
    /**
     * @param  string  $zone  the site's time zone, for times written without one
     * @param  OwnAddress|null  $own  where a whole URL of the site may stand for its address
     */
    public function __construct(
        private readonly AddressRules $rules,
        private readonly string $zone = 'UTC',
        private readonly ?OwnAddress $own = null,
    ) {
    }

    /**
     * @param  array<mixed>  $changes
     * @param  array<mixed>  $decisions
     *
     * @throws Refusal naming the change and its field
     */
    public function batch(array $changes, array $decisions = [], WhenUnanswered $unanswered = WhenUnanswered::StaysOpen): Batch
    {
        $this->guardSize($changes);
        $read = [];
        foreach (array_values($changes) as $i => $change) {
            try {
                $read[] = $this->change(is_array($change) ? $change : []);
            } catch (Refusal $refusal) {
                throw $refusal->within("changes.$i");
            }
        }
        if ($read === []) {
            throw new InputRefused('changes', 'This batch contains no change.');
        }
        $made = (new DecisionReader($this->rules))->all($decisions);

        return new Batch($read, $unanswered === WhenUnanswered::StaysOpen ? Decisions::of(...$made) : Decisions::elseDefaults(...$made));
    }

    /** @param  array<mixed>  $changes */
    private function guardSize(array $changes): void
    {
        if (count($changes) > Batch::MAX_PAGES) {
            throw new InputRefused('changes', sprintf('A batch holds at most %d changes; this one has %d.', Batch::MAX_PAGES, count($changes)));
        }
        $named = array_sum(
            array_map(
                static fn (mixed $change): int => is_array($change) && is_array($change['pages'] ?? null) ? count($change['pages']) : 1,
                $changes,
            ),
        );
        if ($named > Batch::MAX_PAGES) {
            throw new InputRefused('changes', sprintf('The changes of a batch name at most %d pages; these name %d.', Batch::MAX_PAGES, $named));
        }
    }

    /** @param  array<mixed>  $given */
    private function change(array $given): Change
    {
        $kind = $given['kind'] ?? null;
        if (! is_string($kind)) {
            throw new InputRefused('kind', 'A change says its kind, like {"kind": "move", …}.');
        }
        $class =
            ChangeKinds::find($kind) ??
            throw new InputRefused(
                'kind',
                "There is no change “{$kind}”. A change is one of ".implode(', ', array_keys(ChangeKinds::shapes())).'.',
            );
        $class::shape()->guard($given);
        $input = new ChangeInput($given, $this->rules, $this->zone, $this->own);

        return isset($given['pages']) ? $this->several($class, $input->identities('pages'), $input, $given) : $class::read($input);
    }

    /**
     * @param  class-string<RequestedChange>  $class
     * @param  list<string>  $pages
     * @param  array<mixed>  $given
     */
    private function several(string $class, array $pages, ChangeInput $input, array $given): Change
    {
        $each = static fn (string $page, ?string $previous): RequestedChange => $class::read($input->forPage($page, $previous));
        $first = $pages[0] ?? throw new InputRefused('pages', 'Pages are a list of identities, at least one.');
        $each($first, null);
        $written = array_filter(
            $given,
            static fn (mixed $value, string|int $field): bool => is_string($field) && $field !== 'pages',
            ARRAY_FILTER_USE_BOTH,
        );

        return $class::shape()->subject === Subject::Branches
            ? SeveralPages::branches($pages, $each, $written)
            : SeveralPages::pages($pages, $each, $written);
    }
}
