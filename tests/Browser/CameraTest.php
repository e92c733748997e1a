<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Tests\Support\Video;

/** A label before the camera is read, in a browser that has no reader of codes of its own. */
final class CameraTest extends BrowserTestCase
{
    public function test_a_label_held_before_the_camera_is_read(): void
    {
        $this->enter(self::MAREN, '/samples/13/labels');
        $picture = $this->find("//article[contains(@class, 'label')]//img");
        $code = $this->find("//article[contains(@class, 'label')]//p[contains(@class, 'code')]")->getText();
        $large = 'arguments[0].style.cssText = "position:fixed;left:0;top:0;width:300px;height:300px;z-index:99"';
        $this->browser->executeScript($large, [$picture]);
        $file = sys_get_temp_dir().'/honest-core-label-'.getmypid().'.y4m';
        Video::ofPicture((string) $picture->takeElementScreenshot(), $file);
        $this->browser->quit();
        $this->browser = self::$servers->browser([
            '--use-fake-ui-for-media-stream', '--use-fake-device-for-media-stream', "--use-file-for-fake-video-capture={$file}",
        ]);
        try {
            $this->enter(self::MAREN, '/scan');
            $this->press('Use the camera');
            $this->see($code);
            $this->see('What happened');
            self::assertCount(1, $this->browser->findElements(WebDriverBy::xpath("//ul[contains(@class, 'codes')]/li")), 'once');
            $this->press('Stop the camera');
            $this->miss('Stop the camera');
        } finally {
            unlink($file);
        }
    }
}
