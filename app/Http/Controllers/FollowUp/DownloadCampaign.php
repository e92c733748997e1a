<?php

declare(strict_types=1);

namespace App\Http\Controllers\FollowUp;

use App\Actions\FollowUp\Campaign;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The season as a calendar file. */
final class DownloadCampaign
{
    public function __invoke(Request $request, Campaign $campaign): Response
    {
        $request->validate(ShowCampaign::FROM);
        /** @var User $user */
        $user = $request->user();
        $from = $request->string('from')->toString();

        return new Response($campaign->file($user->team_id, $from === '' ? now()->format('Y-m-d') : $from, now()), 200, [
            'Content-Type' => 'text/calendar; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="retests.ics"',
        ]);
    }
}
