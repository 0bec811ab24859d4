<?php

declare(strict_types=1);

namespace Tests\App;

use Illuminate\Testing\TestResponse;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Assert;
use Symfony\Component\HttpFoundation\Response;

/** Holds every answer that a test gets from the API against the description of its operation (OpenAPI 3.1, JSON Schema 2020-12). */
final class ResponseContract
{
    private const DOCUMENT = 'https://editor.test/openapi.json';

    /** @var array<string, mixed>|null */
    private static ?array $described = null;

    private static ?Validator $validator = null;

    /**
     * @param  string  $route  as the router has it, like api/v1/sites/{site}/outline
     * @param  TestResponse<Response>  $response
     */
    public static function hold(string $method, string $route, TestResponse $response): void
    {
        $type = strtok((string) $response->headers->get('Content-Type'), ';');
        if (! in_array($type, ['application/json', 'application/problem+json'], true)) {
            return;
        }
        $path = '/'.preg_replace('#^api/v1/?#', '', $route);
        $method = strtolower($method);
        $responses = self::described()['paths'][$path][$method]['responses'] ?? [];
        $status = (string) $response->getStatusCode();
        $pointer = isset($responses[$status])
            ? '#/paths/'.str_replace(['~', '/', '{', '}'], ['~0', '~1', '%7B', '%7D'], $path)."/$method/responses/$status/content/".str_replace('/', '~1', $type).'/schema'
            : '#/components/schemas/Problem';
        Assert::assertTrue(isset($responses[$status]) || $response->getStatusCode() >= 400, "$method $path answers with $status, which is not described.");
        if (isset($responses[$status]) && ! isset($responses[$status]['content'][$type]['schema'])) {
            return; // a file: its form is another document's
        }
        $result = self::validator()->validate(json_decode((string) $response->getContent()), self::DOCUMENT.$pointer);
        $error = $result->error();
        Assert::assertTrue($error === null, "$method $path answers otherwise than described: ".($error === null ? '' : json_encode((new ErrorFormatter)->format($error))));
    }

    /** @return array<string, mixed> */
    private static function described(): array
    {
        return self::$described ??= json_decode(self::text(), true, flags: JSON_THROW_ON_ERROR);
    }

    private static function validator(): Validator
    {
        if (self::$validator === null) {
            self::$validator = new Validator();
            self::$validator->resolver()?->registerRaw(self::text(), self::DOCUMENT);
        }

        return self::$validator;
    }

    private static function text(): string
    {
        return (string) file_get_contents(dirname(__DIR__, 2).'/docs/api/openapi.json');
    }
}
