<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\UploadFile;
use App\Desk\UploadPicture;
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

    #[OA\Get(path: '/sites/{site}/files', operationId: 'files', description: 'Files of the site, the newest first, whose name holds the text; only pictures on demand. At most 50.', parameters: [new OA\Parameter(ref: '#/components/parameters/site'), new OA\Parameter(name: 'text', in: 'query', schema: new OA\Schema(type: 'string')), new OA\Parameter(name: 'pictures', in: 'query', schema: new OA\Schema(type: 'boolean'))], responses: [new OA\Response(response: 200, description: 'Done', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/File'))), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function index(Request $request, Site $site): JsonResponse
    {
        $files = File::query()->where('site_id', $site->id)->whereRaw('strpos(lower(name), lower(?)) > 0', [$request->string('text')->trim()->value()])
            ->when($request->boolean('pictures'), static fn ($query) => $query->whereNotNull('width'))->orderByDesc('id')->limit(self::MAX_FILES)->get();

        return new JsonResponse($files->map(self::view(...)));
    }

    #[OA\Post(path: '/sites/{site}/files', operationId: 'uploadPicture', description: 'Takes in a picture: JPEG, PNG, WebP or GIF.', parameters: [new OA\Parameter(ref: '#/components/parameters/site')], requestBody: new OA\RequestBody(required: true, content: new OA\MediaType(mediaType: 'multipart/form-data', schema: new OA\Schema(required: ['picture'], type: 'object', properties: [new OA\Property('picture', type: 'string', format: 'binary')]))), responses: [new OA\Response(response: 201, description: 'Done', content: new OA\JsonContent(ref: '#/components/schemas/File')), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function store(Request $request, Site $site): JsonResponse
    {
        $user = Signed::in($request);
        $kilobytes = (int) config('heronstem.picture_bytes') / 1024;
        $request->validate(['picture' => ['required', 'file', "max:$kilobytes"]], [
            'picture.required' => 'Choose a picture.', 'picture.uploaded' => 'The picture did not arrive whole; it may be too large.',
            'picture.max' => sprintf('The picture is larger than %d MB. Make it smaller first.', $kilobytes / 1024),
        ]);
        $picture = $request->file('picture');
        abort_unless($picture instanceof UploadedFile, 422);

        return self::file($this->upload->upload($site, $user, $picture->getClientOriginalName(), (string) $picture->get()));
    }

    #[OA\Post(path: '/sites/{site}/documents', operationId: 'uploadFile', description: 'Takes in a file for a download or pointer: a document of a known kind, or a picture.', parameters: [new OA\Parameter(ref: '#/components/parameters/site')], requestBody: new OA\RequestBody(required: true, content: new OA\MediaType(mediaType: 'multipart/form-data', schema: new OA\Schema(required: ['file'], type: 'object', properties: [new OA\Property('file', type: 'string', format: 'binary')]))), responses: [new OA\Response(response: 201, description: 'Done', content: new OA\JsonContent(ref: '#/components/schemas/File')), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function document(Request $request, Site $site): JsonResponse
    {
        $user = Signed::in($request);
        $kilobytes = (int) config('heronstem.file_bytes') / 1024;
        $request->validate(['file' => ['required', 'file', "max:$kilobytes"]], [
            'file.required' => 'Choose a file.', 'file.uploaded' => 'The file did not arrive whole; it may be too large.', 'file.max' => sprintf('The file is larger than %d MB.', $kilobytes / 1024),
        ]);
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
