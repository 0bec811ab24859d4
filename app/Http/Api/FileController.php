<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\Permission;
use App\Desk\UploadPicture;
use App\Models\Site;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use OpenApi\Attributes as OA;

/** Pictures for pages. */
final readonly class FileController
{
    public function __construct(private Permission $permission, private UploadPicture $upload)
    {
    }

    #[OA\Post(path: '/sites/{site}/files', operationId: 'uploadPicture', description: 'Takes in a picture: JPEG, PNG, WebP or GIF.', parameters: [new OA\Parameter(ref: '#/components/parameters/site')], requestBody: new OA\RequestBody(required: true, content: new OA\MediaType(mediaType: 'multipart/form-data', schema: new OA\Schema(required: ['picture'], type: 'object', properties: [new OA\Property('picture', type: 'string', format: 'binary')]))), responses: [new OA\Response(response: 201, description: 'Done', content: new OA\JsonContent(ref: '#/components/schemas/File')), new OA\Response(ref: '#/components/responses/Problem', response: 'default')])]
    public function store(Request $request, Site $site): JsonResponse
    {
        $user = Signed::in($request);
        $this->permission->toWrite($user, $site, null);
        $kilobytes = (int) config('heronstem.picture_bytes') / 1024;
        $request->validate(['picture' => ['required', 'file', "max:$kilobytes"]], [
            'picture.required' => 'Choose a picture.', 'picture.uploaded' => 'The picture did not arrive whole; it may be too large.',
            'picture.max' => sprintf('The picture is larger than %d MB. Make it smaller first.', $kilobytes / 1024),
        ]);
        $picture = $request->file('picture');
        abort_unless($picture instanceof UploadedFile, 422);
        $file = $this->upload->upload($site, $user, $picture->getClientOriginalName(), (string) $picture->get());

        return new JsonResponse(['id' => $file->ulid, 'name' => $file->name, 'address' => $file->address(), 'width' => $file->width, 'height' => $file->height], 201);
    }
}
