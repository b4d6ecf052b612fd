<?php

declare(strict_types=1);

namespace Tests\Support;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Exception\UnknownErrorException;
use Facebook\WebDriver\Exception\WebDriverException;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteExecuteMethod;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy as By;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\TestCase;
use Unanimus\Evidence\TrustList;

/** The real interface in headless Chromium, against the running test copy. */
abstract class BrowserCase extends TestCase
{
    private const IDLE = 'const done = performance.getEntriesByType("resource").map((e) => new URL(e.name).pathname);'.
        'return !document.querySelector(".htmx-request") && [...document.querySelectorAll("[hx-trigger^=load]")]'.
        '.every((one) => done.includes(one.getAttribute("hx-get")));';

    use Axe;

    /** @var resource|null */
    private static $driver = null;

    private static int $port = 0;

    private static ?RemoteWebDriver $shared = null;

    /** @var array<string, \Facebook\WebDriver\Cookie|null> a session for each who signed in once: signing in often is slowed down */
    private static array $sessions = [];

    public ?RemoteWebDriver $browser = null;

    protected function setUp(): void
    {
        parent::setUp();
        if (self::$driver === null) {
            // What is started from here works on the running copy.
            putenv('DB_DATABASE=unanimus');
            exec('php '.escapeshellarg(dirname(__DIR__, 2).'/artisan').' demo:seed --generated=24 2>&1', $said, $code);
            $code === 0 || self::fail(implode("\n", $said));
            self::$port = random_int(20000, 40000);
            self::$driver =
                proc_open(
                    ['chromedriver', '--port='.self::$port, '--log-level=SEVERE'],
                    [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
                    $pipes,
                ) ?:
                null;
            $status = curl_init('http://127.0.0.1:'.self::$port.'/status');
            curl_setopt($status, CURLOPT_RETURNTRANSFER, true);
            for ($i = 0; $i < 80 && curl_exec($status) === false; $i++) {
                usleep(100_000);
            }
            register_shutdown_function(static function (): void {
                try {
                    self::$shared?->quit();
                } catch (WebDriverException) {
                    // It is gone already.
                }
                is_resource(self::$driver) && proc_terminate(self::$driver);
            });
        }
        $this->browser = $this->sharedBrowser();
    }

    protected function tearDown(): void
    {
        if ($this->browser !== self::$shared) {
            $this->browser?->quit();
        }
        parent::tearDown();
    }

    /** One browser for all tests, as new for each: it remembers nobody and nothing. */
    private function sharedBrowser(): RemoteWebDriver
    {
        try {
            if (self::$shared !== null) {
                (new ChromeDevToolsDriver(self::$shared))->execute('Network.emulateNetworkConditions', [
                    'offline' => false,
                    'latency' => 0,
                    'downloadThroughput' => -1,
                    'uploadThroughput' => -1,
                ]);
                self::$shared->get(self::url().'/robots.txt');
                self::$shared->executeScript('localStorage.clear(); sessionStorage.clear();');
                self::$shared->manage()->deleteAllCookies();
                $this->shape(self::$shared, 1280, 800);

                return self::$shared;
            }
        } catch (WebDriverException) {
            // A test has ended it.
        }

        return self::$shared = $this->newBrowser();
    }

    /** What the test copy's own authority vouches for, read without the application. */
    public static function trusted(): TrustList
    {
        $root = testState().'/secrets/authority/root.crt';

        return TrustList::fromFiles([$root], [$root]);
    }

    public static function url(): string
    {
        return getenv('UNANIMUS_TEST_URL') ?: 'http://127.0.0.1:8510';
    }

    public function newBrowser(int $width = 1280, int $height = 800, string $theme = 'light'): RemoteWebDriver
    {
        $options = new ChromeOptions();
        $options->addArguments([
            '--headless=new',
            '--no-sandbox',
            '--disable-dev-shm-usage',
            '--disable-gpu',
            '--hide-scrollbars',
            '--force-color-profile=srgb',
            '--no-first-run',
            '--disable-background-networking',
            '--disable-component-update',
            '--disable-sync',
            '--disable-quic',
            // A page kept for the way back goes on receiving answers, and with them the session of whoever had it open.
            '--disable-features=BackForwardCache',
            '--user-data-dir='.sys_get_temp_dir().'/unanimus-browser-'.bin2hex(random_bytes(6)),
        ]);
        $capabilities = DesiredCapabilities::chrome();
        $capabilities->setCapability(ChromeOptions::CAPABILITY, $options);
        $browser = RemoteWebDriver::create('http://127.0.0.1:'.self::$port, $capabilities, 30_000, 60_000);
        $this->shape($browser, $width, $height, $theme);

        return $browser;
    }

    public function shape(RemoteWebDriver $browser, int $width, int $height, string $theme = 'light'): void
    {
        $tools = new ChromeDevToolsDriver($browser);
        $tools->execute('Emulation.setDeviceMetricsOverride', [
            'width' => $width,
            'height' => $height,
            'deviceScaleFactor' => 1,
            'mobile' => false,
        ]);
        $tools->execute('Emulation.setEmulatedMedia', [
            'features' => [
                ['name' => 'prefers-color-scheme', 'value' => $theme],
                ['name' => 'prefers-reduced-motion', 'value' => 'reduce'],
            ],
        ]);
        // Drawn anew twice, it stands as it will stand.
        $browser->executeAsyncScript('requestAnimationFrame(() => requestAnimationFrame(arguments[0]))');
    }

    /** What axe says of a client's page as it stands: whole, in dark colors, and twice as large. @return list<string> */
    public function clientAxe(): array
    {
        $found = $this->axe();
        $this->shape($this->browser, 390, 844, 'dark');
        array_push($found, ...$this->axe('colours'));
        $this->shape($this->browser, 320, 500);
        $this->browser->executeScript('return document.documentElement.scrollWidth') > 322 && ($found[] = 'scrolls sideways at 320');
        $this->shape($this->browser, 390, 844);

        return $found;
    }

    public function signIn(string $who): static
    {
        $name = one("SELECT name FROM users WHERE email = '{$who}@quillmark.example'");
        for ($tries = 0; $tries < 4; $tries++) {
            // From a page that asks nothing by itself: a paper left open would get a session of its own in between.
            $this->visit('/robots.txt');
            $this->browser?->manage()->deleteAllCookies();
            isset(self::$sessions[$who]) ? $this->browser?->manage()->addCookie(self::$sessions[$who]) : $this->throughTheDoor($who);
            $this->visit('/')->waitFor('header.bar');
            // An answer still on its way to whoever was here before may have put their cookie back.
            if ($this->signedIn() === $name) {
                self::$sessions[$who] ??= $this->browser?->manage()->getCookieNamed('unanimus');

                return $this;
            }
            unset(self::$sessions[$who]);
        }
        self::fail("{$who} cannot sign in");
    }

    private function throughTheDoor(string $who): void
    {
        $this->visit('/sign-in');
        $this->find('input[name=email]')->sendKeys("{$who}@quillmark.example");
        $this->find('input[name=password]')->sendKeys('lanternfish');
        $this->find('.door .button')->click();
        $this->waitFor('header.bar');
    }

    private function signedIn(): string
    {
        return (string) $this->browser?->executeScript('return document.querySelector("header.bar .menu-at summary")?.innerText ?? ""');
    }

    /** The session is gone, as after a night: whoever signs in again gets another. */
    public function sessionEnds(string $who): static
    {
        unset(self::$sessions[$who]);
        // What the page still fetches by itself would bring the session's cookie back with its answer.
        $this->eventually(fn () => $this->browser->executeScript(self::IDLE) === true ?: null, 'the page is still fetching');

        return $this->signOut();
    }

    public function offline(bool $off): static
    {
        $tools = new ChromeDevToolsDriver($this->browser);
        $tools->execute('Network.enable');
        $tools->execute('Network.emulateNetworkConditions', [
            'offline' => $off,
            'latency' => 0,
            'downloadThroughput' => -1,
            'uploadThroughput' => -1,
        ]);

        return $this;
    }

    public function signOut(): static
    {
        $this->browser?->manage()->deleteAllCookies();

        return $this;
    }

    public function visit(string $path): static
    {
        $this->browser?->get(str_starts_with($path, 'http') ? $path : self::url().$path);

        return $this;
    }

    /** Signs someone in and goes to a file's page by its name; its address. */
    public function openFile(string $who, string $name): string
    {
        $this->signIn($who)
            ->visit('/files?q='.rawurlencode($name))
            ->waitFor('table [data-open]')
            ->click();
        $this->waitFor('.board');

        return (string) $this->browser?->getCurrentURL();
    }

    public function find(string $selector): RemoteWebElement
    {
        return $this->waitFor($selector);
    }

    /** @return list<RemoteWebElement> */
    public function all(string $selector): array
    {
        return array_values($this->browser?->findElements(By::cssSelector($selector)) ?? []);
    }

    public function waitFor(string $selector, int $seconds = 30): RemoteWebElement
    {
        return $this->eventually(
            function () use ($selector): ?RemoteWebElement {
                $found = $this->all($selector);

                return $found[0] ?? null;
            },
            "nothing matches {$selector}",
            $seconds,
        );
    }

    public function seeText(string $text, string $in = 'body', int $seconds = 30): static
    {
        $this->eventually(fn () => str_contains($this->find($in)->getText(), $text) ?: null, "“{$text}” is not shown in {$in}", $seconds);

        return $this;
    }

    public function press(string $label, string $in = 'body'): static
    {
        $this->eventually(function () use ($label, $in): ?RemoteWebElement {
            // Looked for on the page itself: asking the browser element by element takes a second on a full board.
            $found = $this->browser?->executeScript(
                'const [root, label] = arguments;
                return [...document.querySelectorAll(
                    ["button", "a", "summary", "label.button"].map((kind) => `${root} ${kind}`).join(", "))]
                    .find(
                        (one) => one.checkVisibility({visibilityProperty: true}) && (
                            one.innerText ?? one.textContent
                        ).replace(/\\s+/g, " ").trim() === label,
                    ) ?? null',
                [$in, $label],
            );
            if (! is_array($found) || $this->browser === null) {
                return null;
            }

            return (new RemoteWebElement(new RemoteExecuteMethod($this->browser), (string) current($found), true))->click();
        }, "there is nothing to press that says “{$label}”");

        return $this;
    }

    /** What a row says, of the board if no other. */
    public function row(string $title, string $rows = 'tr.row'): string
    {
        $rows = array_map(fn (RemoteWebElement $row) => $row->getText(), $this->all($rows));

        return array_values(array_filter($rows, fn (string $said) => str_contains($said, $title)))[0] ?? '';
    }

    /** Types into a field, leaves it, and waits until it is stored. */
    public function enter(string $selector, string $text): static
    {
        $field = $this->find($selector);
        $field->click();
        $field->sendKeys(WebDriverKeys::CONTROL.'a'.WebDriverKeys::NULL.$text."\t");
        usleep(60_000);
        $this->eventually(fn () => $this->all('.htmx-request') === [] ?: null, 'the entry is still on its way');

        return $this;
    }

    /** Presses the signer's one big control until the page has moved on. */
    public function goThroughMarks(): static
    {
        $this->waitFor('#go');
        $this->eventually(
            function (): ?bool {
                $go = $this->all('#go')[0] ?? null;
                if ($go === null) {
                    return true;
                }
                $go->click();
                usleep(200_000);

                return null;
            },
            'signing does not come to its end',
            60,
        );

        return $this;
    }

    /**
     * @template T
     *
     * @param callable(): (T|null) $look
     * @return T
     */
    public function eventually(callable $look, string $else, int $seconds = 30): mixed
    {
        $end = microtime(true) + $seconds;
        do {
            try {
                $found = $look();
                if ($found !== null) {
                    return $found;
                }
            } catch (StaleElementReferenceException|UnknownErrorException $gone) {
                if ($gone instanceof UnknownErrorException && ! str_contains($gone->getMessage(), 'does not belong to the document')) {
                    throw $gone;
                }
                // The part, or the page, was swapped while it was looked at.
            }
            usleep(80_000);
        } while (microtime(true) < $end);
        self::fail(
            $else.
                ', at '.
                $this->browser?->getCurrentURL().
                ': '.
                mb_strimwidth((string) $this->browser?->findElement(By::tagName('body'))->getText(), 0, 600, '…'),
        );
    }

    /** A picture for the documentation, when asked for by UNANIMUS_SHOTS. */
    public function shot(string $name, ?RemoteWebDriver $browser = null): void
    {
        $folder = getenv('UNANIMUS_SHOTS');
        $folder && ($browser ?? $this->browser)?->takeScreenshot("{$folder}/{$name}.png");
    }
}
