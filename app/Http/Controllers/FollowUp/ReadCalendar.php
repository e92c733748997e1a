<?php

declare(strict_types=1);

namespace App\Http\Controllers\FollowUp;

use App\Actions\FollowUp\Campaign;
use App\Models\CalendarAddress;
use App\Sharing\SecretAddress;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** What a calendar subscribes to: the retests of a team from today on. No account, and nothing is written when it is read. */
final class ReadCalendar
{
    public function __invoke(Request $request, string $token, Campaign $campaign): Response
    {
        $address = SecretAddress::isToken($token) ? CalendarAddress::byToken($token) : null;
        if ($address !== null) {
            return self::answer($campaign->file($address->team_id, now()->format('Y-m-d'), now()), 200, 'text/calendar; charset=utf-8');
        }
        $status = SecretAddress::missed('calendar', $request->ip());

        return self::answer('This calendar is not there, or was withdrawn.', $status, 'text/plain; charset=utf-8');
    }

    private static function answer(string $content, int $status, string $type): Response
    {
        return new Response($content, $status, [
            'Content-Type' => $type,
            'Cache-Control' => 'private, no-store',
            'X-Robots-Tag' => 'noindex, nofollow',
        ]);
    }
}
