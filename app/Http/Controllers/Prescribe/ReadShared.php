<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Actions\Prescribe\GrowersPage;
use App\Models\ProgramShare;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\RateLimiter;

/** The grower's page: no account, nothing of other areas, and nothing is written when it is read. */
final class ReadShared
{
    /** Wrong addresses that one place may try in a minute. Right ones are not counted, for counting would write. */
    private const MOST_MISSES = 30;

    public function __invoke(Request $request, string $token, GrowersPage $page): Response
    {
        $share = strlen($token) > 64 ? null : ProgramShare::byToken($token);
        if ($share !== null && $share->isOpen() && $share->program !== null) {
            return self::page('grower', $page->of($share->program, $share->ends_at), 200);
        }
        $many = RateLimiter::tooManyAttempts("grower {$request->ip()}", self::MOST_MISSES);
        RateLimiter::hit("grower {$request->ip()}");

        return self::page('grower-closed', [], $many ? 429 : 404);
    }

    /** @param array<string, mixed> $data */
    private static function page(string $view, array $data, int $status): Response
    {
        return new Response(view($view, $data), $status, [
            'Cache-Control' => 'private, no-store',
            'X-Robots-Tag' => 'noindex, nofollow',
        ]);
    }
}
