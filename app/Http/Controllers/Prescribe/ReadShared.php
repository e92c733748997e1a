<?php

declare(strict_types=1);

namespace App\Http\Controllers\Prescribe;

use App\Actions\Prescribe\GrowersPage;
use App\Models\ProgramShare;
use App\Sharing\SecretAddress;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The grower's page: no account, nothing of other areas, and nothing is written when it is read. */
final class ReadShared
{
    public function __invoke(Request $request, string $token, GrowersPage $page): Response
    {
        $share = SecretAddress::isToken($token) ? ProgramShare::byToken($token) : null;
        if ($share !== null && $share->isOpen() && $share->program !== null) {
            return self::page('grower', $page->of($share->program, $share->ends_at), 200);
        }

        return self::page('grower-closed', [], SecretAddress::missed('grower', $request->ip()));
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
