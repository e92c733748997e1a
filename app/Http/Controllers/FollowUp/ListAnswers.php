<?php

declare(strict_types=1);

namespace App\Http\Controllers\FollowUp;

use App\Actions\FollowUp\AnswersOfPrograms;
use App\Http\Resources\FollowUp\AnswerResource;
use App\Models\Site;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;

final class ListAnswers
{
    public function __invoke(Site $site, AnswersOfPrograms $answers): AnonymousResourceCollection
    {
        return AnswerResource::collection($answers->ofSite($site->id));
    }
}
