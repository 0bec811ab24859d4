<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\Files\DescribeFile;
use App\Desk\Files\ListFiles;
use App\Desk\Files\ReplaceFile;
use App\Http\Api\Description\Answer;
use App\Models\File;
use App\Models\Site;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** What is done to a file that is there. */
final readonly class FileChangesController
{
    public function __construct(private DescribeFile $describe, private ReplaceFile $replace, private ListFiles $list)
    {
    }

    #[
        OA\Patch(
            path: '/sites/{site}/files/{file}',
            operationId: 'updateFile',
            description: 'Sets the name, folder, alternative text, caption or focus of a file. A file that is renamed is answered at its old address too.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\JsonContent(
                    type: 'object',
                    properties: [
                        new OA\Property('name', type: 'string'),
                        new OA\Property('folder', type: 'string'),
                        new OA\Property('alt', type: 'string'),
                        new OA\Property('caption', type: 'string'),
                        new OA\Property('focus', ref: '#/components/schemas/FocusPoint', nullable: true),
                        new OA\Property('binned', type: 'boolean', description: 'false brings it back from the bin'),
                    ],
                ),
            ),
            responses: [new Answer('FileDetail')],
        ),
    ]
    public function update(Request $request, Site $site, File $file): JsonResponse
    {
        $user = Signed::in($request);
        $given = $request->validate(
            [
                'name' => ['sometimes', 'string', 'max:120'],
                'folder' => ['sometimes', 'string', 'max:200'],
                'alt' => ['sometimes', 'string', 'max:500'],
                'caption' => ['sometimes', 'string', 'max:500'],
                'focus' => ['sometimes', 'nullable', 'array:x,y', 'required_array_keys:x,y'],
                'focus.x' => ['integer:strict', 'between:0,100'],
                'focus.y' => ['integer:strict', 'between:0,100'],
                'binned' => ['sometimes', 'declined'],
            ],
            [
                'max' => 'At most :max characters fit here.',
                'string' => 'This is a text.',
                'focus' => 'A point is x and y, each from 0 to 100.',
                'focus.*' => 'A point is x and y, each from 0 to 100.',
                'declined' => 'False brings it back. To put it in the bin, delete it.',
            ],
        );
        if (array_key_exists('binned', $given)) {
            $this->describe->bringBack($file, $user);
        }

        return new JsonResponse($this->list->one($this->describe->set($file, $user, $given)->refresh()));
    }

    #[
        OA\Post(
            path: '/sites/{site}/files/{file}/content',
            operationId: 'replaceFile',
            description: 'Puts another file in the place of this one: address and uses stay, what stood there is kept. A picture becomes one of the same type; a document is replaced by one of its kind.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\MediaType(
                    mediaType: 'multipart/form-data',
                    schema: new OA\Schema(
                        required: ['file'],
                        type: 'object',
                        properties: [new OA\Property('file', type: 'string', format: 'binary')],
                    ),
                ),
            ),
            responses: [new Answer('FileDetail')],
        ),
    ]
    public function replace(Request $request, Site $site, File $file): JsonResponse
    {
        $user = Signed::in($request);
        $given = GivenFile::in($request, 'file', (int) config('heronstem.file_bytes'));

        return new JsonResponse(
            $this->list->one($this->replace->with($file, $user, $given->getClientOriginalName(), (string) $given->get())->refresh()),
        );
    }

    #[
        OA\Post(
            path: '/sites/{site}/files/{file}/versions/{number}',
            operationId: 'bringBackFile',
            description: 'Puts an earlier version of a file in its place again.',
            responses: [new Answer('FileDetail')],
        ),
    ]
    public function bringBack(Request $request, Site $site, File $file, string $number): JsonResponse
    {
        return new JsonResponse($this->list->one($this->replace->bringBack($file, Signed::in($request), (int) $number)->refresh()));
    }

    #[
        OA\Delete(
            path: '/sites/{site}/files/{file}',
            operationId: 'binFile',
            description: 'Puts a file that nothing uses in the bin: its address no longer answers until it is brought back.',
            responses: [new Answer('FileDetail')],
        ),
    ]
    public function bin(Request $request, Site $site, File $file): JsonResponse
    {
        $this->describe->putInBin($file, Signed::in($request));

        return new JsonResponse($this->list->one($file->refresh()));
    }
}
