<?php

declare(strict_types=1);

namespace Tests\App;

use App\Http\Api\Description\OpenApiDocument;
use Illuminate\Support\Facades\Route;
use PHPUnit\Framework\Attributes\Test;

final class OpenApiTest extends AppTestCase
{
    #[Test]
    public function the_description_is_the_one_that_is_committed(): void
    {
        self::assertSame(
            file_get_contents(base_path('docs/api/openapi.json')),
            OpenApiDocument::json(),
            'Run ./heronstem artisan heronstem:openapi.',
        );
    }

    #[Test]
    public function every_route_is_described_and_every_description_has_its_route(): void
    {
        $described = [];
        foreach (json_decode(OpenApiDocument::json(), true)['paths'] as $path => $operations) {
            foreach (array_keys($operations) as $method) {
                $described[] = strtoupper($method).' api/v1'.$path;
            }
        }
        $routed = [];
        foreach (Route::getRoutes()->getRoutes() as $route) {
            foreach (str_starts_with($route->uri(), 'api/v1') ? array_diff($route->methods(), ['HEAD']) : [] as $method) {
                $routed[] = $method.' '.$route->uri();
            }
        }
        self::assertEqualsCanonicalizing($routed, $described);
    }
}
