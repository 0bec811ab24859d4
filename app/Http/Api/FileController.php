<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\UploadFile;
use App\Desk\UploadPicture;
use App\Http\Api\Description\Answer;
use App\Http\Api\Description\Query;
use App\Models\File;
use App\Models\Site;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use OpenApi\Attributes as OA;

/** Pictures for pages. */
final readonly class FileController
{
    /** Most files in one answer. */
    private const MAX_FILES = 50;

    public function __construct(private UploadPicture $upload, private UploadFile $files)
    {
    }

    #[
        OA\Get(
            path: '/sites/{site}/files',
            operationId: 'files',
            description: 'Files of the site, the newest first, whose name holds the text; only pictures on demand. At most 50.',
            parameters: [new Query('text'), new Query('pictures', 'boolean')],
            responses: [new Answer('File', list: true)],
        ),
    ]
    public function index(Request $request, Site $site): JsonResponse
    {
        $files = File::query()
            ->where('site_id', $site->id)
            ->whereRaw('strpos(lower(name), lower(?)) > 0', [$request->string('text')->trim()->value()])
            ->when($request->boolean('pictures'), static fn ($query) => $query->whereNotNull('width'))
            ->orderByDesc('id')
            ->limit(self::MAX_FILES)
            ->get();

        return new JsonResponse($files->map(self::view(...)));
    }

    #[OA\Get(path: '/sites/{site}/files/{file}', operationId: 'file', description: 'One file of the site.', responses: [new Answer('File')])]
    public function show(Site $site, File $file): JsonResponse
    {
        return new JsonResponse(self::view($file));
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
            responses: [new Answer('File', status: 201)],
        ),
    ]
    public function store(Request $request, Site $site): JsonResponse
    {
        $user = Signed::in($request);
        $kilobytes = (int) config('heronstem.picture_bytes') / 1024;
        $request->validate(
            ['picture' => ['required', 'file', "max:$kilobytes"]],
            [
                'picture.required' => 'Choose a picture.',
                'picture.uploaded' => 'The picture did not arrive whole; it may be too large.',
                'picture.max' => sprintf('The picture is larger than %d MB. Make it smaller first.', $kilobytes / 1024),
            ],
        );
        $picture = $request->file('picture');
        abort_unless($picture instanceof UploadedFile, 422);

        return self::file($this->upload->upload($site, $user, $picture->getClientOriginalName(), (string) $picture->get()));
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
                        properties: [new OA\Property('file', type: 'string', format: 'binary')],
                    ),
                ),
            ),
            responses: [new Answer('File', status: 201)],
        ),
    ]
    public function document(Request $request, Site $site): JsonResponse
    {
        $user = Signed::in($request);
        $kilobytes = (int) config('heronstem.file_bytes') / 1024;
        $request->validate(
            ['file' => ['required', 'file', "max:$kilobytes"]],
            [
                'file.required' => 'Choose a file.',
                'file.uploaded' => 'The file did not arrive whole; it may be too large.',
                'file.max' => sprintf('The file is larger than %d MB.', $kilobytes / 1024),
            ],
        );
        $given = $request->file('file');
        abort_unless($given instanceof UploadedFile, 422);

        return self::file($this->files->upload($site, $user, $given->getClientOriginalName(), (string) $given->get()));
    }

    /** @return array<string, mixed> */
    private static function view(File $file): array
    {
        return ['id' => $file->ulid, 'name' => $file->name, 'address' => $file->address(), 'width' => $file->width, 'height' => $file->height];
    }

    private static function file(File $file): JsonResponse
    {
        return new JsonResponse(self::view($file), 201);
    }
}
