<?php

declare(strict_types=1);

namespace App\Http\Api\Schema;

use App\Desk\TypedTexts;
use App\Models\Draft;
use App\Models\Page;
use Heronstem\Core\Content\Document;
use OpenApi\Attributes as OA;

#[OA\Schema(schema: 'Content', description: 'A page\'s content as saved, one\'s own unsaved draft, and who else is typing.')]
final readonly class ContentView
{
    /**
     * @param  array<string, mixed>  $document
     * @param  array{heading: string, summary: string}  $texts
     * @param  array{document: array<mixed>, texts: array{heading: string, summary: string}|null, basedOn: int, typed: string}|null  $draft
     * @param  list<array{name: string, typed: string}>  $others
     */
    public function __construct(
        #[OA\Property(ref: '#/components/schemas/Document', type: 'object')] public array $document,
        #[
            OA\Property(description: 'heading and summary as they are being worked on', ref: '#/components/schemas/TypedTexts', type: 'object'),
        ]
        public array $texts,
        #[OA\Property(description: 'goes back in If-Match when saving')] public int $version,
        #[OA\Property(description: 'the version visitors see')] public ?int $liveVersion,
        #[OA\Property(format: 'date-time')] public ?string $saved,
        #[OA\Property] public ?string $savedBy,
        #[OA\Property(ref: '#/components/schemas/DraftContent', type: 'object', nullable: true)] public ?array $draft,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/OtherWriter'))] public array $others,
    ) {
    }

    /** @param  array<string, mixed>  $document */
    public function showing(array $document): self
    {
        return new self(...[...get_object_vars($this), 'document' => $document]);
    }

    /** @param  iterable<Draft>  $others */
    public static function of(Page $page, ?Draft $draft, iterable $others): self
    {
        $content = $page->load('content.savedBy')->content;
        $typing = [];
        foreach ($others as $other) {
            $typing[] = ['name' => $other->user->name, 'typed' => $other->updated_at->toIso8601ZuluString()];
        }

        return new self(
            $content->working ?? Document::blank()->toArray(),
            TypedTexts::of($page),
            $content->working_version ?? 0,
            $content?->live_version,
            $content?->saved_at->toIso8601ZuluString(),
            $content?->savedBy?->name,
            $draft === null
                ? null
                : [
                    'document' => $draft->document,
                    'texts' => $draft->texts,
                    'basedOn' => $draft->based_on,
                    'typed' => $draft->updated_at->toIso8601ZuluString(),
                ],
            $typing,
        );
    }
}
