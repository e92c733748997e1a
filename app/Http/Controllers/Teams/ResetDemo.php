<?php

declare(strict_types=1);

namespace App\Http\Controllers\Teams;

use App\Actions\People\SignIns;
use App\Actions\Teams\BeginDemoAnew;
use App\Http\TellsLines;
use App\Models\User;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Begins the demo anew; whoever is in it signs in again. */
final class ResetDemo
{
    public function __invoke(Request $request, BeginDemoAnew $begin, SignIns $signIns): StreamedResponse
    {
        /** @var User $user */
        $user = $request->user();
        abort_unless($user->isOfDemo(), 404);
        $signIns->leave($request);

        return TellsLines::of(static function (\Closure $tell) use ($user, $begin): void {
            $tell(['done' => 0, 'of' => 1, 'what' => 'a season at Quill Hollow']);
            $begin($user->team);
            $tell(['ready' => true]);
        });
    }
}
