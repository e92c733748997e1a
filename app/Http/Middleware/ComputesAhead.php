<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Actions\Evidence\ComputeAhead;
use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use PDOException;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;

/**
 * What a request has touched is computed again once its answer is out. The answer goes out compressed, and its length tells the
 * reader that it is whole.
 */
final class ComputesAhead
{
    private const WORTH_BYTES = 1400;

    private const LEVEL = 4;

    public function __construct(private readonly ComputeAhead $ahead) {}

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        if (! $response instanceof StreamedResponse && ! $response instanceof BinaryFileResponse) {
            self::press($request, $response);
            $response->headers->set('Content-Length', (string) strlen((string) $response->getContent()));
        }

        return $response;
    }

    private static function press(Request $request, Response $response): void
    {
        $content = (string) $response->getContent();
        $response->headers->set('Vary', 'Accept-Encoding', false);
        if (
            strlen($content) > self::WORTH_BYTES &&
            str_contains((string) $request->headers->get('Accept-Encoding'), 'gzip') &&
            str_contains((string) $response->headers->get('Content-Type'), 'json')
        ) {
            $response->setContent((string) gzencode($content, self::LEVEL));
            $response->headers->set('Content-Encoding', 'gzip');
        }
    }

    public function terminate(): void
    {
        $user = User::signedIn();
        if ($user === null) {
            return;
        }
        try {
            ($this->ahead)($user->team_id);
        } catch (PDOException $error) {
            // The answer is out. Where nothing can be kept, as on a full disk, it stays noted for the next time.
            report($error);
        }
    }
}
