<?php

declare(strict_types=1);

use App\Exceptions\Conflict;
use App\Exceptions\DiskTrouble;
use App\Exceptions\RefusedRows;
use App\Exceptions\Worded;
use App\Http\Middleware\ForgeryCheck;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\SignsInByToken;
use App\Http\Middleware\SoundInput;
use HonestCore\Error\CoreError;
use Illuminate\Contracts\Auth\Middleware\AuthenticatesRequests;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Illuminate\Http\Exceptions\PostTooLargeException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Route;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php',
        commands: __DIR__.'/../routes/console.php',
        then: static fn () => Route::middleware([SoundInput::class, 'web', 'throttle:api'])
            ->prefix('api')
            ->group(__DIR__.'/../routes/api.php'),
    )
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->remove(HandleCors::class);
        $middleware->append(SecurityHeaders::class);
        $middleware->web(replace: [ValidateCsrfToken::class => ForgeryCheck::class]);
        $middleware->prependToPriorityList(before: AuthenticatesRequests::class, prepend: SignsInByToken::class);
        $middleware->redirectGuestsTo('/sign-in');
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->shouldRenderJsonWhen(
            static fn (Request $request): bool => $request->is('api/*') || $request->expectsJson(),
        );
        $exceptions->dontReport([CoreError::class, Worded::class, RefusedRows::class]);
        $exceptions->render(
            static fn (NotFoundHttpException $error, Request $request): ?JsonResponse => $request->is('api/*')
                ? new JsonResponse(['message' => 'There is nothing here under this address.', 'code' => 'not_found'], 404)
                : null,
        );
        $exceptions->render(
            static fn (CoreError $error): JsonResponse => new JsonResponse(
                ['message' => $error->forPeople(), 'code' => $error->errorCode(), 'reason' => $error->reason()],
                422,
            ),
        );
        $exceptions->render(
            static fn (Worded $error): JsonResponse => new JsonResponse(
                ['message' => $error->words(), 'code' => $error->reason],
                $error instanceof Conflict ? 409 : 422,
            ),
        );
        $exceptions->render(static fn (PDOException $error): ?JsonResponse => DiskTrouble::answer($error));
        // QueryException is one too. Anything else goes its usual way.
        $exceptions->render(
            static fn (PDOException $error): ?JsonResponse => str_contains($error->getMessage(), 'database is locked')
                ? new JsonResponse(
                    [
                        'message' => 'Somebody is writing a great deal, and this had to wait too long. Nothing was '.
                            'saved; what you typed is still here. Try again in a moment.',
                        'code' => 'busy',
                    ],
                    409,
                )
                : null,
        );
        $exceptions->render(
            static fn (PostTooLargeException $error): JsonResponse => new JsonResponse(
                [
                    'message' => 'What was sent is too large to take at once. Nothing was stored. Send a smaller '.
                        'file, or in parts.',
                ],
                413,
            ),
        );
        $exceptions->render(
            static fn (RefusedRows $error): JsonResponse => new JsonResponse(
                ['message' => $error->getMessage(), 'code' => 'refused_rows', 'rows' => $error->rows],
                422,
            ),
        );
    })
    ->create();
