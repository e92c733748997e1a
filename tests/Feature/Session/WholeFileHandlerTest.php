<?php

declare(strict_types=1);

namespace Tests\Feature\Session;

use App\Http\Session\WholeFileHandler;
use Illuminate\Filesystem\Filesystem;
use Illuminate\Support\Facades\Session;
use Tests\Feature\ApiTestCase;

/** A session's file is never half written: whoever reads it meanwhile, or after a kill, has the one before. */
final class WholeFileHandlerTest extends ApiTestCase
{
    private string $folder;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/honest-core-sessions-'.bin2hex(random_bytes(4));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        (new Filesystem())->deleteDirectory($this->folder);
        parent::tearDown();
    }

    public function test_what_was_there_stays_whole_until_the_new_one_is(): void
    {
        $handler = new WholeFileHandler(new Filesystem(), $this->folder, 10);
        $handler->write('one', 'the first, and the longer of the two');
        $open = fopen("{$this->folder}/one", 'r');
        self::assertNotFalse($open);

        $handler->write('one', 'the second');

        self::assertSame('the first, and the longer of the two', stream_get_contents($open), 'not cut under a reader');
        self::assertSame('the second', $handler->read('one'));
        self::assertSame(['one'], array_values(array_diff((array) scandir($this->folder), ['.', '..'])));
        self::assertSame(0600, fileperms("{$this->folder}/one") & 0777);
    }

    public function test_sessions_in_files_are_kept_by_it(): void
    {
        config(['session.driver' => 'file', 'session.encrypt' => false]);

        self::assertInstanceOf(WholeFileHandler::class, Session::driver('file')->getHandler());
    }
}
