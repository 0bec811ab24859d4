<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use App\Models\Plan;
use App\Models\StoredStep;
use Heronstem\Core\Planning\ComparedPlans;
use Heronstem\Core\Planning\Contradiction;
use Heronstem\Core\Planning\PlanBase;
use Heronstem\Core\Planning\RebasedPlan;
use Heronstem\Core\Tree\PageDifference;
use OpenApi\Attributes as OA;

#[
    OA\Schema(
        schema: 'PlanItem',
        description: 'Changes prepared beside the living site.',
        required: ['id', 'name', 'description', 'state', 'steps', 'by', 'changed', 'switchAt', 'problem', 'hasLink', 'entry'],
        properties: [
            new OA\Property('id', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property('description', type: 'string'),
            new OA\Property('state', type: 'string', enum: ['open', 'applied']),
            new OA\Property('steps', type: 'integer'),
            new OA\Property('by', type: 'string', nullable: true),
            new OA\Property('changed', type: 'string', format: 'date-time'),
            new OA\Property('switchAt', type: 'string', format: 'date-time', nullable: true),
            new OA\Property('problem', description: 'why it was not switched on at its moment', type: 'string', nullable: true),
            new OA\Property('hasLink', description: 'whether a secret link shows it', type: 'boolean'),
            new OA\Property('entry', description: 'of the history, once it is switched on', type: 'string', nullable: true),
        ],
        type: 'object',
    ),
    OA\Schema(
        schema: 'PlanStep',
        required: ['id', 'sentence', 'by', 'at', 'refused'],
        properties: [
            new OA\Property('id', type: 'string'),
            new OA\Property('sentence', description: 'page names stand between asterisks', type: 'string'),
            new OA\Property('by', type: 'string', nullable: true),
            new OA\Property('at', type: 'string', format: 'date-time'),
            new OA\Property('refused', description: 'why it can no longer be made', type: 'string', nullable: true),
        ],
        type: 'object',
    ),
    OA\Schema(
        schema: 'PlanContradiction',
        description: 'What the plan changes and the living site changed since.',
        required: ['page', 'name', 'what', 'was', 'is', 'planned'],
        properties: [
            new OA\Property('page', type: 'string'),
            new OA\Property('name', type: 'string'),
            new OA\Property('what', description: 'as people call it, e.g. slug', type: 'string'),
            new OA\Property('was', type: 'string'),
            new OA\Property('is', type: 'string'),
            new OA\Property('planned', type: 'string'),
        ],
        type: 'object',
    ),
    OA\Schema(
        schema: 'PlanReview',
        required: ['plan', 'steps', 'ripple', 'contradictions'],
        properties: [
            new OA\Property('plan', ref: '#/components/schemas/PlanItem'),
            new OA\Property('steps', type: 'array', items: new OA\Items(ref: '#/components/schemas/PlanStep')),
            new OA\Property('ripple', ref: '#/components/schemas/Ripple', nullable: true),
            new OA\Property('contradictions', type: 'array', items: new OA\Items(ref: '#/components/schemas/PlanContradiction')),
        ],
        type: 'object',
    ),
    OA\Schema(
        schema: 'ComparedPage',
        required: ['page', 'name', 'differs'],
        properties: [new OA\Property('page', type: 'string'), new OA\Property('name', type: 'string'), new OA\Property('differs', type: 'array', items: new OA\Items(type: 'string'))],
        type: 'object',
    ),
    OA\Schema(
        schema: 'ComparedPlans',
        required: ['onlyFirst', 'onlySecond', 'alike', 'otherwise'],
        properties: [
            new OA\Property('onlyFirst', type: 'array', items: new OA\Items(ref: '#/components/schemas/ComparedPage')),
            new OA\Property('onlySecond', type: 'array', items: new OA\Items(ref: '#/components/schemas/ComparedPage')),
            new OA\Property('alike', type: 'array', items: new OA\Items(ref: '#/components/schemas/ComparedPage')),
            new OA\Property('otherwise', type: 'array', items: new OA\Items(ref: '#/components/schemas/ComparedPage')),
        ],
        type: 'object',
    ),
]
final class PlanView
{
    /** Longest value that is told. */
    private const TOLD = 120;

    /** @return array<string, mixed> */
    public static function item(Plan $plan): array
    {
        return [
            'id' => $plan->ulid,
            'name' => $plan->name,
            'description' => $plan->description,
            'state' => $plan->state,
            'steps' => $plan->steps()->count(),
            'by' => $plan->user?->name,
            'changed' => $plan->updated_at->toIso8601ZuluString(),
            'switchAt' => $plan->switch_at?->toIso8601ZuluString(),
            'problem' => $plan->problem,
            'hasLink' => $plan->token !== null,
            'entry' => $plan->entry,
        ];
    }

    /** @return array<string, mixed> */
    public static function review(Plan $plan, RebasedPlan $review): array
    {
        $against = $review->ripple === null ? [] : (new PlanBase($plan->base))->contradictions($review->ripple);

        return [
            'plan' => self::item($plan),
            'steps' => array_map(static fn (StoredStep $step): array => self::step($step, $review), array_values($plan->steps()->with('user')->get()->all())),
            'ripple' => $review->ripple === null ? null : RippleView::of($review->ripple),
            'contradictions' => array_map(self::contradiction(...), $against),
        ];
    }

    /** @return array<string, mixed> */
    public static function step(StoredStep $step, ?RebasedPlan $review = null): array
    {
        return [
            'id' => $step->ulid,
            'sentence' => $step->sentence,
            'by' => $step->user?->name,
            'at' => $step->created_at->toIso8601ZuluString(),
            'refused' => $review?->refused[$step->ulid]->reason ?? null,
        ];
    }

    /** @return array<string, mixed> */
    public static function compared(ComparedPlans $compared, RebasedPlan $first, RebasedPlan $second): array
    {
        $named = static fn (string $page, array $differs = []): array => [
            'page' => $page,
            'name' => ($first->ripple?->pages->outcome->find($page) ?? $second->ripple?->pages->outcome->find($page))->name ?? $page,
            'differs' => $differs,
        ];

        return [
            'onlyFirst' => array_map($named(...), $compared->onlyFirst),
            'onlySecond' => array_map($named(...), $compared->onlySecond),
            'alike' => array_map($named(...), $compared->alike),
            'otherwise' => array_map($named(...), array_map(strval(...), array_keys($compared->otherwise)), array_values($compared->otherwise)),
        ];
    }

    /** @return array<string, string> */
    private static function contradiction(Contradiction $of): array
    {
        $told = static fn (string|int|float|bool|null $value): string => match (true) {
            $value === null, $value === '' => 'nothing',
            is_bool($value) => $value ? 'yes' : 'no',
            default => mb_substr((string) $value, 0, self::TOLD),
        };

        return ['page' => $of->page, 'name' => $of->name, 'what' => PageDifference::aspectOf($of->field), 'was' => $told($of->was), 'is' => $told($of->is), 'planned' => $told($of->planned)];
    }
}
