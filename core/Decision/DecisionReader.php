<?php

declare(strict_types=1);

namespace Heronstem\Core\Decision;

use Heronstem\Core\Address\Address;
use Heronstem\Core\Address\AddressRules;
use Heronstem\Core\Identity;
use Heronstem\Core\InputRefused;
use Heronstem\Core\Refusal;

/** Reads decisions as the API writes them. */
final readonly class DecisionReader
{
    public function __construct(private AddressRules $rules)
    {
    }

    /**
     * @param  array<mixed>  $decisions
     * @return list<Decision>
     *
     * @throws Refusal naming the decision and its field
     */
    public function all(array $decisions): array
    {
        $read = [];
        foreach (array_values($decisions) as $i => $decision) {
            try {
                $read[] = $this->read(is_array($decision) ? $decision : []);
            } catch (Refusal $refusal) {
                throw $refusal->within("decisions.$i");
            }
        }

        return $read;
    }

    /**
     * @param  array<mixed>  $decision
     *
     * @throws Refusal naming the field
     */
    public function read(array $decision): Decision
    {
        $kind = $decision['kind'] ?? null;
        if ($kind === 'give-way') {
            return Decision::giveWay(Address::set(is_string($decision['address'] ?? null) ? $decision['address'] : '', $this->rules));
        }
        $question = is_string($kind) ? QuestionKind::tryFrom($kind) : null;
        $answer = is_string($decision['answer'] ?? null) ? Answer::tryFrom($decision['answer']) : null;
        if ($question === null || $answer === null) {
            throw new InputRefused(
                'kind',
                'A decision is {"kind": "give-way", "address": …} or {"kind": "retired", "children-of", "drafts-below", "raw-links", "menu-entries" or "in-between", "page": …, "answer": …}.',
            );
        }
        $to = $decision['to'] ?? null;

        return Decision::answer(
            $question,
            $this->identity($decision['page'] ?? null, 'page'),
            $answer,
            $to === null ? null : $this->identity($to, 'to'),
        );
    }

    private function identity(mixed $value, string $field): string
    {
        return Identity::names($value) ? $value : throw new InputRefused($field, 'A page is named by its identity, 26 letters and digits.');
    }
}
