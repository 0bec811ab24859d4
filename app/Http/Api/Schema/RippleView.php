<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use App\Desk\RippleAccount;
use Heronstem\Core\Decision\Answer;
use Heronstem\Core\Decision\Question;
use Heronstem\Core\Ripple\Conflict;
use Heronstem\Core\Ripple\Ripple;
use OpenApi\Attributes as OA;

#[OA\Schema(schema: 'Ripple', description: 'What follows from a batch, computed and not written. Counts are whole; lists hold the first fifty.')]
final readonly class RippleView
{
    /**
     * @param  array<string, mixed>  $account
     * @param  list<ConflictView>  $conflicts
     * @param  list<array<string, mixed>>  $questions
     */
    private function __construct(
        #[OA\Property(description: 'stands for this ripple when applying')] public string $digest,
        #[OA\Property(description: 'visitors notice, so it is worth a look')] public bool $matters,
        #[OA\Property] public bool $canBeApplied,
        #[OA\Property(description: 'nothing is left to do')] public bool $changesNothing,
        #[OA\Property(description: 'conflicts and open questions')] public int $decisions,
        #[OA\Property(ref: '#/components/schemas/RippleAccount', type: 'object')] public array $account,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Conflict'))] public array $conflicts,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/Question'))] public array $questions,
    ) {
    }

    public static function of(Ripple $ripple): self
    {
        return new self(
            $ripple->digest(),
            $ripple->matters(),
            $ripple->canBeApplied(),
            $ripple->changesNothing(),
            count($ripple->toDecide->conflicts) + count($ripple->toDecide->open()),
            RippleAccount::of($ripple),
            array_map(
                static fn (Conflict $conflict): ConflictView => ConflictView::of($conflict),
                array_slice($ripple->toDecide->conflicts, 0, RippleAccount::EXAMPLES),
            ),
            array_map(self::question(...), array_slice($ripple->toDecide->questions, 0, RippleAccount::EXAMPLES)),
        );
    }

    /** @return array<string, mixed> */
    private static function question(Question $question): array
    {
        return [
            'kind' => $question->kind->value,
            'page' => $question->page,
            'name' => $question->name,
            'count' => $question->count,
            'answers' => array_map(static fn (Answer $answer): string => $answer->value, $question->answers),
            'default' => $question->default->value,
            'heir' => $question->heir === null ? null : PageCrumb::inTree($question->heir),
            'open' => $question->isOpen(),
            'answer' => $question->decided?->answer?->value,
            'to' => $question->decided?->to,
        ];
    }
}
