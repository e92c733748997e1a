<?php

declare(strict_types=1);

namespace App\Http\Controllers\People;

use App\Database\Page;
use App\Models\AccountEvent;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/** What was done with accounts, and what left the team; newest first. */
final class ListEvents
{
    private const PER_PAGE = 50;

    public function __invoke(Request $request): JsonResponse
    {
        $request->validate(['page' => Page::ASKED, 'kind' => ['sometimes', Rule::in(AccountEvent::KINDS)]]);
        $kind = $request->filled('kind') ? $request->string('kind')->toString() : null;

        return new JsonResponse(Page::of(AccountEvent::register($kind), $request->integer('page', 1), self::PER_PAGE)->told(
            static fn (AccountEvent $event): array => [
                'id' => $event->id,
                'at' => $event->at->toIso8601ZuluString(),
                'who' => $event->user->name ?? '',
                'kind' => $event->kind,
                'about' => $event->about,
                'place' => $event->place,
            ],
        ));
    }
}
