<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\Files\DescribeFile;
use App\Desk\Files\ListFiles;
use App\Desk\Files\UploadFile;
use App\Desk\Files\UploadPicture;
use App\Http\Api\Description\Answer;
use App\Http\Api\Description\Query;
use App\Models\File;
use App\Models\Site;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** Files of a site: listed, looked at, taken in. */
final readonly class FileController
{
    public function __construct(private UploadPicture $upload, private UploadFile $files, private ListFiles $list)
    {
    }

    #[
        OA\Get(
            path: '/sites/{site}/files',
            operationId: 'files',
            description: 'Files of the site, the newest first, whose name holds the text; only pictures on demand. At most 50; or all there are, those in the bin too, by folder and name, with how often each is used.',
            parameters: [new Query('text'), new Query('pictures', 'boolean'), new Query('all', 'boolean')],
            responses: [new Answer('File', list: true)],
        ),
    ]
    public function index(Request $request, Site $site): JsonResponse
    {
        return new JsonResponse(
            $request->boolean('all')
                ? $this->list->all($site)
                : $this->list->some($site, $request->string('text')->trim()->value(), $request->boolean('pictures')),
        );
    }

    #[
        OA\Get(
            path: '/sites/{site}/files/{file}',
            operationId: 'file',
            description: 'One file of the site, with where it is used and what stood there before.',
            responses: [new Answer('FileDetail')],
        ),
    ]
    public function show(Site $site, File $file): JsonResponse
    {
        return new JsonResponse($this->list->one($file));
    }

    #[
        OA\Post(
            path: '/sites/{site}/files',
            operationId: 'uploadPicture',
            description: 'Takes in a picture: JPEG, PNG, WebP or GIF.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\MediaType(
                    mediaType: 'multipart/form-data',
                    schema: new OA\Schema(
                        required: ['picture'],
                        type: 'object',
                        properties: [new OA\Property('picture', type: 'string', format: 'binary')],
                    ),
                ),
            ),
            responses: [new Answer('FileDetail', status: 201)],
        ),
    ]
    public function store(Request $request, Site $site): JsonResponse
    {
        $user = Signed::in($request);
        $picture = GivenFile::in($request, 'picture', (int) config('heronstem.picture_bytes'), ' Make it smaller first.');

        return $this->file($this->upload->upload($site, $user, $picture->getClientOriginalName(), (string) $picture->get()));
    }

    #[
        OA\Post(
            path: '/sites/{site}/documents',
            operationId: 'uploadFile',
            description: 'Takes in a file for a download or pointer: a document of a known kind, or a picture.',
            requestBody: new OA\RequestBody(
                required: true,
                content: new OA\MediaType(
                    mediaType: 'multipart/form-data',
                    schema: new OA\Schema(
                        required: ['file'],
                        type: 'object',
                        properties: [new OA\Property('file', type: 'string', format: 'binary'), new OA\Property('folder', type: 'string')],
                    ),
                ),
            ),
            responses: [new Answer('FileDetail', status: 201)],
        ),
    ]
    public function document(Request $request, Site $site): JsonResponse
    {
        $user = Signed::in($request);
        $given = GivenFile::in(
            $request,
            'file',
            (int) config('heronstem.file_bytes'),
            rules: ['folder' => ['sometimes', 'string', 'max:200']],
            refused: ['folder' => 'A folder is a text of at most 200 characters.'],
        );

        return $this->file(
            $this->files->upload(
                $site,
                $user,
                $given->getClientOriginalName(),
                (string) $given->get(),
                DescribeFile::folder($request->string('folder')->value()),
            ),
        );
    }

    private function file(File $file): JsonResponse
    {
        return new JsonResponse($this->list->one($file->refresh()), 201);
    }
}
