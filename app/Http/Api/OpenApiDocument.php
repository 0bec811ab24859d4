<?php

declare(strict_types=1);

namespace App\Http\Api;

use OpenApi\Generator;

/** The API's OpenAPI description, made from the attributes on controllers and schemas. */
final class OpenApiDocument
{
    public static function json(): string
    {
        $generator = new Generator;
        $generator->setVersion('3.1.0');
        $document = json_decode((string) $generator->generate([app_path('Http/Api')])?->toJson(), true, flags: JSON_THROW_ON_ERROR);
        $document['components']['schemas'] = [...$document['components']['schemas'], ...ChangeSchemas::all()];
        ksort($document['components']['schemas']);
        // A value class always has all of its properties.
        foreach ($document['components']['schemas'] as &$schema) {
            if (isset($schema['properties']) && ! isset($schema['required'])) {
                $schema['required'] = array_keys($schema['properties']);
            }
        }

        return json_encode($document, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE)."\n";
    }
}
