<?php

declare(strict_types=1);

namespace App\Console;

use App\Http\Api\Description\OpenApiDocument;
use Illuminate\Console\Command;

final class OpenApi extends Command
{
    protected $signature = 'heronstem:openapi';

    protected $description = 'Write docs/api/openapi.json from the controllers';

    public function handle(): int
    {
        @mkdir(base_path('docs/api'), 0755, true);
        file_put_contents(base_path('docs/api/openapi.json'), OpenApiDocument::json());

        return self::SUCCESS;
    }
}
