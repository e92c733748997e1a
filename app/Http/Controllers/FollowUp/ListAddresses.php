<?php

declare(strict_types=1);

namespace App\Http\Controllers\FollowUp;

use App\Http\Resources\FollowUp\CalendarAddressResource;
use App\Models\CalendarAddress;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;

final class ListAddresses
{
    private const MOST = 100;

    public function __invoke(): AnonymousResourceCollection
    {
        return CalendarAddressResource::collection(
            CalendarAddress::newest(self::MOST),
        );
    }
}
