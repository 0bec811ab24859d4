<?php

declare(strict_types=1);

namespace App\Http\Api;

use App\Desk\ChangedMeanwhile;
use App\Desk\ConfirmFirst;
use App\Desk\ContentConflict;
use App\Desk\Files\NoRoom;
use App\Desk\RippleChanged;
use App\Desk\UnderWay\SiteBusy;
use App\Http\Api\Schema\ContentView;
use App\Http\Api\Schema\Refused;
use App\Http\Api\Schema\RippleView;
use App\Http\DatabaseAway;
use App\Http\InvalidInput;
use Heronstem\Core\Access\BeyondRights;
use Heronstem\Core\Refusal;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Http\JsonResponse;
use Illuminate\Routing\Exceptions\BackedEnumCaseNotFoundException;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Errors as problem details (RFC 9457): what happened, which field, why, and the way out. */
final class Problem
{
    public static function from(\Throwable $error): ?JsonResponse
    {
        return match (true) {
            $error instanceof Refusal => self::of(422, 'Not possible like this', $error->reason, [
                'errors' => [new Refused($error->field, $error->reason, $error->suggestion)],
            ]),
            $error instanceof InvalidInput => self::of($error->status, 'Not readable like this', $error->getMessage(), [
                'errors' => [new Refused($error->field, $error->getMessage(), null)],
            ]),
            DatabaseAway::isMeantBy($error) => self::of(
                503,
                'The database cannot be reached',
                'Nothing was changed, and what you typed is still here. Try again in a moment.',
            ),
            $error instanceof ValidationException => self::of(422, 'Something is missing or wrong', $error->getMessage(), [
                'errors' => self::fields($error),
            ]),
            $error instanceof RippleChanged => self::of(409, 'Look again before it is applied', $error->getMessage(), [
                'ripple' => RippleView::of($error->ripple),
            ]),
            $error instanceof UniqueConstraintViolationException => self::of(
                409,
                'Taken in the same moment',
                'Somebody else used this name or identity in the same moment. Nothing was changed: look at what is there now, and choose another.',
            ),
            $error instanceof NoRoom => self::of(507, 'There is no room', $error->getMessage()),
            $error instanceof SiteBusy => self::of(423, 'In a moment', $error->getMessage()),
            $error instanceof ChangedMeanwhile => self::of(412, 'Changed meanwhile', $error->getMessage()),
            $error instanceof ContentConflict => self::of(412, 'Somebody saved meanwhile', $error->getMessage(), [
                'theirs' => ContentView::of($error->theirs, null, []),
            ]),
            $error instanceof AuthenticationException => self::of(401, 'Signed out', 'Sign in and try again; what you typed is kept.'),
            $error instanceof ConfirmFirst => self::of(403, 'Confirm that it is you', $error->getMessage(), ['confirm' => true]),
            $error instanceof BeyondRights => self::of(403, 'Not yours to do', $error->getMessage()),
            $error instanceof AuthorizationException => self::of(403, 'Not yours to do', $error->getMessage()),
            $error instanceof ModelNotFoundException, $error->getPrevious() instanceof ModelNotFoundException => self::of(
                404,
                'Not there',
                'There is nothing under this identity. It may have been removed since.',
            ),
            $error instanceof BackedEnumCaseNotFoundException => self::of(
                404,
                'Not there',
                'There is no list of that name. The description of the API names them all.',
            ),
            $error instanceof NotFoundHttpException => self::of(
                404,
                'Not there',
                $error->getMessage() !== '' ? $error->getMessage() : 'There is nothing at this address of the API.',
            ),
            $error instanceof HttpExceptionInterface => self::http($error),
            default => config('app.debug')
                ? null
                : self::of(500, 'Something went wrong here', 'Nothing was changed. Try again; if it stays, tell whoever runs this installation.'),
        };
    }

    /** @param  array<string, mixed>  $more */
    public static function of(int $status, string $title, string $detail, array $more = []): JsonResponse
    {
        return new JsonResponse(['type' => 'about:blank', 'title' => $title, 'status' => $status, 'detail' => $detail, ...$more], $status, [
            'Content-Type' => 'application/problem+json',
        ]);
    }

    private static function http(HttpExceptionInterface&\Throwable $error): JsonResponse
    {
        $status = $error->getStatusCode();
        $detail = match ($status) {
            405 => 'This address of the API does not take that method.',
            412, 428 => $error->getMessage(),
            419 => 'Your session has ended. Sign in again; what you typed is kept.',
            429 => 'Too many requests in a short time. Wait a minute and try again.',
            default => $error->getMessage(),
        };
        $problem = self::of($status, $status === 429 ? 'Too fast' : ($status === 412 ? 'Changed meanwhile' : 'Not possible'), $detail);
        $problem->headers->add(array_intersect_key($error->getHeaders(), ['Retry-After' => 1, 'Allow' => 1]));

        return $problem;
    }

    /** @return list<Refused> */
    private static function fields(ValidationException $error): array
    {
        $fields = [];
        foreach ($error->errors() as $field => $reasons) {
            $fields[] = new Refused((string) $field, (string) $reasons[0], null);
        }

        return $fields;
    }
}
