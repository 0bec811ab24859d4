<?php

declare(strict_types=1);

namespace App\Http\Api;

use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;

/** A file that comes with a request. */
final class GivenFile
{
    /**
     * @param  string  $field  its name, which is what it is called, too
     * @param  int  $bytes  it has at most
     * @param  string  $smaller  what can be done where it has more
     * @param  array<string, list<string>>  $rules  for what comes with it
     * @param  array<string, string>  $refused  and what is said where that is not as it should be
     */
    public static function in(Request $request, string $field, int $bytes, string $smaller = '', array $rules = [], array $refused = []): UploadedFile
    {
        $kilobytes = $bytes / 1024;
        $request->validate(
            [$field => ['required', 'file', "max:$kilobytes"], ...$rules],
            [
                "$field.required" => "Choose a $field.",
                "$field.uploaded" => "The $field did not arrive whole; it may be too large.",
                "$field.max" => sprintf("The $field is larger than %d MB.%s", $kilobytes / 1024, $smaller),
                ...$refused,
            ],
        );
        $given = $request->file($field);
        abort_unless($given instanceof UploadedFile, 422);

        return $given;
    }
}
