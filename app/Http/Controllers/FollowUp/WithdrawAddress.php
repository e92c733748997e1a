<?php

declare(strict_types=1);

namespace App\Http\Controllers\FollowUp;

use App\Actions\FollowUp\CalendarAddresses;
use App\Http\Resources\FollowUp\CalendarAddressResource;
use App\Models\CalendarAddress;

final class WithdrawAddress
{
    public function __invoke(CalendarAddress $address, CalendarAddresses $addresses): CalendarAddressResource
    {
        return new CalendarAddressResource($addresses->withdraw($address));
    }
}
