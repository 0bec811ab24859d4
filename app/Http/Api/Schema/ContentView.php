<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use App\Models\Draft;
use App\Models\PageContent;
use Heronstem\Core\Content\Document;
use OpenApi\Attributes as OA;

#[OA\Schema(schema: 'Content', description: 'A page\'s content as saved, one\'s own unsaved draft, and who else is typing.')]
final readonly class ContentView
{
    /**
     * @param  array<string, mixed>  $document
     * @param  array{document: array<mixed>, basedOn: int, typed: string}|null  $draft
     * @param  list<array{name: string, typed: string}>  $others
     */
    public function __construct(
        #[OA\Property(ref: '#/components/schemas/Document', type: 'object')] public array $document,
        #[OA\Property(description: 'goes back in If-Match when saving')] public int $version,
        #[OA\Property(description: 'the version visitors see')] public ?int $liveVersion,
        #[OA\Property(format: 'date-time')] public ?string $saved,
        #[OA\Property] public ?string $savedBy,
        #[OA\Property(ref: '#/components/schemas/DraftContent', type: 'object', nullable: true)] public ?array $draft,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/OtherWriter'))] public array $others,
    ) {
    }

    /** @param  iterable<Draft>  $others */
    public static function of(?PageContent $content, ?Draft $draft, iterable $others): self
    {
        $typing = [];
        foreach ($others as $other) {
            $typing[] = ['name' => $other->user->name, 'typed' => $other->updated_at->toIso8601ZuluString()];
        }

        return new self(
            $content->working ?? Document::blank()->toArray(),
            $content->working_version ?? 0,
            $content?->live_version,
            $content?->saved_at->toIso8601ZuluString(),
            $content?->savedBy?->name,
            $draft === null
                ? null
                : ['document' => $draft->document, 'basedOn' => $draft->based_on, 'typed' => $draft->updated_at->toIso8601ZuluString()],
            $typing,
        );
    }
}
