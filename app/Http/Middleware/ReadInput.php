<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Api\Description\DescribedTypes;
use App\Http\Api\JsonBody;
use App\Http\InvalidInput;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\InputBag;
use Symfony\Component\HttpFoundation\Response;

/**
 * Takes in what a request to the API brings, once for every operation: well-formed, in UTF-8 without NUL, of the types
 * that the description gives. Whatever stands behind it trusts that.
 */
final readonly class ReadInput
{
    public function __construct(private DescribedTypes $types)
    {
    }

    public function handle(Request $request, \Closure $next): Response
    {
        $this->guardTexts(['path' => rawurldecode($request->getPathInfo())], '');
        $this->guardTexts($request->query->all(), '');
        $body = $this->body($request);
        $this->guardTexts($body, '');
        $path = '/'.preg_replace('#^api/v1/?#', '', $request->route()?->uri() ?? '');
        $this->types->guard($request->method(), $path, $request->query->all(), $body);

        return $next($request);
    }

    /** @return array<mixed> */
    private function body(Request $request): array
    {
        if ($request->isMethodCacheable()) {
            return [];
        }
        if (str_starts_with((string) $request->headers->get('Content-Type'), 'multipart/form-data')) {
            return $request->request->all();
        }
        $content = $request->getContent();
        if ($content !== '' && ! $request->isJson()) {
            throw new InvalidInput(415, 'body', 'This takes JSON: send it with Content-Type: application/json.');
        }
        $body = JsonBody::decode($content);
        $request->setJson(new InputBag($body));
        $request->request = new InputBag($body);

        return $body;
    }

    /**
     * @param  array<mixed>  $values
     *
     * @throws InvalidInput
     */
    private function guardTexts(array $values, string $within): void
    {
        foreach ($values as $key => $value) {
            $field = $within.$key;
            if (! $this->isText((string) $key)) {
                throw new InvalidInput(
                    400,
                    $within === '' ? 'body' : rtrim($within, '.'),
                    'A field is named by signs that are no text: UTF-8 without the NUL sign is taken.',
                );
            }
            if (is_array($value)) {
                $this->guardTexts($value, "$field.");
            } elseif (is_string($value) && ! $this->isText($value)) {
                throw new InvalidInput(
                    str_contains($value, "\0") ? 422 : 400,
                    $field,
                    str_contains($value, "\0")
                        ? 'This holds the NUL sign (U+0000), which no text has. Remove it.'
                        : 'This is not valid UTF-8. Send it in that encoding.',
                );
            }
        }
    }

    private function isText(string $value): bool
    {
        return ! str_contains($value, "\0") && mb_check_encoding($value, 'UTF-8');
    }
}
