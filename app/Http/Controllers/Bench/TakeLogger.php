<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\LeadRun;
use App\Actions\Bench\TakeLoggerFile;
use App\Http\Resources\Bench\RunResource;
use App\Models\Run;
use App\Models\User;
use Illuminate\Http\Request;

final class TakeLogger
{
    public function __invoke(Request $request, Run $run, TakeLoggerFile $take, LeadRun $lead): RunResource
    {
        $request->validate(
            [
                'file' => ['required', 'file', 'max:2048'],
                'reader' => ['required', 'string', 'max:80'],
                'now_ms' => ['required', 'integer', 'min:1'],
            ],
            ['file.max' => 'The file is larger than 2 MB.'],
        );
        /** @var User $author */
        $author = $request->user();
        $file = $request->file('file');
        $text = $file instanceof \Illuminate\Http\UploadedFile ? (string) file_get_contents($file->getPathname()) : '';

        return new RunResource(
            $lead->show(
                $take($run, $author, $text, $request->string('reader')->toString(), $request->integer('now_ms')),
                $request->integer('now_ms'),
            ),
        );
    }
}
