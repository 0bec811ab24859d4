<?php

declare(strict_types=1);

namespace Heronstem\Core\Decision;

/** What has been decided for a batch. */
final readonly class Decisions
{
    /** @var array<string, true> keys of addresses whose holder gives way */
    private array $givenWay;

    /** @var array<string, Decision> the last word on each question */
    private array $answers;

    /** @param  list<Decision>  $made */
    private function __construct(public array $made, public WhenUnanswered $unanswered)
    {
        $givenWay = $answers = [];
        foreach ($made as $decision) {
            if ($decision->givesWay !== null) {
                $givenWay[$decision->givesWay->key] = true;
            }
            if ($decision->kind !== null) {
                $answers["{$decision->kind->value} $decision->page"] = $decision;
            }
        }
        $this->givenWay = $givenWay;
        $this->answers = $answers;
    }

    /** What is not decided stays open. */
    public static function of(Decision ...$made): self
    {
        return new self(array_values($made), WhenUnanswered::StaysOpen);
    }

    /** What is not decided takes its default. */
    public static function elseDefaults(Decision ...$made): self
    {
        return new self(array_values($made), WhenUnanswered::TakesDefault);
    }

    public function and(Decision ...$made): self
    {
        return new self([...$this->made, ...array_values($made)], $this->unanswered);
    }

    public function givesWay(string $key): bool
    {
        return isset($this->givenWay[$key]);
    }

    /** The last word on it, the default where that is taken; null while it is open. */
    public function on(QuestionKind $kind, string $page, Answer $default): ?Decision
    {
        return $this->answers["$kind->value $page"] ??
            ($this->unanswered === WhenUnanswered::TakesDefault ? Decision::answer($kind, $page, $default) : null);
    }
}
