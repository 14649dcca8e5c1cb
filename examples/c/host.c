/* A host in C: SDL2's window, mouse, keys, gamepad and fingers for a profile that was exported.
 *
 *   mellow-thumb export marsh.toml --c marsh.h && cc -O2 host.c -o host $(sdl2-config --cflags --libs) -lm && ./host
 *
 * W, A, S, D walk, the mouse looks, Space hops, Escape ends it: then it says where the camera looks and how far the
 * warden went. Each event goes in with the time that SDL gives it, so the frame rate changes nothing.
 */
#include <SDL.h>
#include <stdio.h>
#include "marsh.h"

#define WIDE 960
#define TALL 600

static marsh_state state;
static double begun;   /* when time was 0, in ms of SDL's clock */
static double last;    /* the time of the last event: they go in by order of time */
static double stick[2][2];
static int wide = WIDE, tall = TALL;

static double seconds(Uint32 stamp)
{
    const double t = (stamp - begun) / 1000.0;
    last = t > last ? t : last;
    return last;
}

static void say(Uint32 stamp, int code, double x, double y)
{
    marsh_event(&state, seconds(stamp), code, x, y);
}

/* Keys by their place on the keyboard, whatever letter the layout puts there. */
static void key(const SDL_KeyboardEvent *event)
{
    static const struct { SDL_Scancode place; int code; } keys[] = {
        {SDL_SCANCODE_W, MARSH_EVENT_KEY_KEYW}, {SDL_SCANCODE_A, MARSH_EVENT_KEY_KEYA},
        {SDL_SCANCODE_S, MARSH_EVENT_KEY_KEYS}, {SDL_SCANCODE_D, MARSH_EVENT_KEY_KEYD},
        {SDL_SCANCODE_SPACE, MARSH_EVENT_KEY_SPACE},
    };
    for (size_t k = 0; k < sizeof keys / sizeof *keys; k++)
        if (!event->repeat && keys[k].place == event->keysym.scancode)
            say(event->timestamp, keys[k].code, event->state == SDL_PRESSED, 0.0);
}

/* A stick's two axes come one by one; screens and sticks count y downwards. */
static void axis(const SDL_ControllerAxisEvent *event)
{
    const double value = event->value < -32767 ? -1.0 : event->value / 32767.0;
    const int right = event->axis == SDL_CONTROLLER_AXIS_RIGHTX || event->axis == SDL_CONTROLLER_AXIS_RIGHTY;
    const int up = event->axis == SDL_CONTROLLER_AXIS_LEFTY || event->axis == SDL_CONTROLLER_AXIS_RIGHTY;

    if (event->axis > SDL_CONTROLLER_AXIS_RIGHTY)
        return; /* triggers do nothing here */
    stick[right][up] = up ? -value : value;
    say(event->timestamp, right ? MARSH_EVENT_PAD_RIGHT_STICK : MARSH_EVENT_PAD_LEFT_STICK,
        stick[right][0], stick[right][1]);
}

static void finger(const SDL_TouchFingerEvent *event)
{
    const int phase = event->type == SDL_FINGERDOWN ? 1 : event->type == SDL_FINGERUP ? 2 : 0;
    marsh_contact(&state, seconds(event->timestamp), (long long)event->fingerId, phase, event->x, 1.0 - event->y, 0);
}

static void window(const SDL_WindowEvent *event)
{
    if (event->event == SDL_WINDOWEVENT_SIZE_CHANGED) {
        wide = event->data1;
        tall = event->data2;
        marsh_screen(&state, seconds(event->timestamp), wide, tall, 0.0);
    } else if (event->event == SDL_WINDOWEVENT_FOCUS_LOST || event->event == SDL_WINDOWEVENT_FOCUS_GAINED) {
        say(event->timestamp, MARSH_EVENT_HOST_FOCUS, event->event == SDL_WINDOWEVENT_FOCUS_GAINED, 0.0);
    }
}

/* Take one event; 0 once the host is to end. */
static int take(const SDL_Event *event)
{
    switch (event->type) {
    case SDL_QUIT:
        return 0;
    case SDL_KEYDOWN:
    case SDL_KEYUP:
        if (event->key.keysym.scancode == SDL_SCANCODE_ESCAPE)
            return 0;
        key(&event->key);
        break;
    case SDL_MOUSEMOTION:
        if (event->motion.which != SDL_TOUCH_MOUSEID) /* a finger, which says so itself */
            say(event->motion.timestamp, MARSH_EVENT_MOUSE_MOVE, event->motion.xrel, -event->motion.yrel);
        break;
    case SDL_CONTROLLERDEVICEADDED:
        if (SDL_GameControllerOpen(event->cdevice.which))
            say(event->cdevice.timestamp, MARSH_EVENT_PAD_CONNECTED, 1.0, 0.0);
        break;
    case SDL_CONTROLLERDEVICEREMOVED:
        SDL_GameControllerClose(SDL_GameControllerFromInstanceID(event->cdevice.which));
        say(event->cdevice.timestamp, MARSH_EVENT_PAD_CONNECTED, 0.0, 0.0); /* lets go of all it held */
        break;
    case SDL_CONTROLLERAXISMOTION:
        axis(&event->caxis);
        break;
    case SDL_CONTROLLERBUTTONDOWN:
    case SDL_CONTROLLERBUTTONUP:
        if (event->cbutton.button == SDL_CONTROLLER_BUTTON_A)
            say(event->cbutton.timestamp, MARSH_EVENT_PAD_SOUTH, event->cbutton.state == SDL_PRESSED, 0.0);
        break;
    case SDL_FINGERDOWN:
    case SDL_FINGERMOTION:
    case SDL_FINGERUP:
        finger(&event->tfinger);
        break;
    case SDL_WINDOWEVENT:
        window(&event->window);
        break;
    }
    return 1;
}

/* The marsh from above: posts every five metres, the warden in the middle, and which way the camera looks. */
static void draw(SDL_Renderer *to, const double *out)
{
    const double metre = 40.0, turn = out[MARSH_OUT_YAW] * 3.14159265358979 / 180.0;

    SDL_SetRenderDrawColor(to, 205, 196, 170, 255);
    SDL_RenderClear(to);
    SDL_SetRenderDrawColor(to, 110, 91, 69, 255);
    for (int k = -4; k <= 4; k++)
        for (int j = -4; j <= 4; j++) {
            const double x = 5.0 * (k + (int)(out[MARSH_OUT_MOVED_X] / 5.0)) - out[MARSH_OUT_MOVED_X];
            const double z = 5.0 * (j + (int)(out[MARSH_OUT_MOVED_Z] / 5.0)) - out[MARSH_OUT_MOVED_Z];
            const SDL_Rect post = {(int)(wide / 2 + metre * x) - 4, (int)(tall / 2 + metre * z) - 4, 8, 8};
            SDL_RenderFillRect(to, &post);
        }
    SDL_SetRenderDrawColor(to, 29, 106, 150, 255);
    SDL_RenderFillRect(to, &(SDL_Rect){wide / 2 - 8, tall / 2 - 8, 16, 16});
    SDL_RenderDrawLine(to, wide / 2, tall / 2, wide / 2 + (int)(120.0 * SDL_sin(turn)),
                       tall / 2 - (int)(120.0 * SDL_cos(turn)));
    SDL_RenderPresent(to);
}

int main(int many, char **words)
{
    SDL_Window *shown;
    SDL_Renderer *to;
    double out[MARSH_H_OUT];
    int going = 1;

    (void)many, (void)words;
    if (SDL_Init(SDL_INIT_VIDEO | SDL_INIT_GAMECONTROLLER)) {
        fprintf(stderr, "%s\n", SDL_GetError());
        return 1;
    }
    shown = SDL_CreateWindow("the marsh", SDL_WINDOWPOS_CENTERED, SDL_WINDOWPOS_CENTERED, WIDE, TALL,
                             SDL_WINDOW_RESIZABLE);
    to = SDL_CreateRenderer(shown, -1, 0);
    marsh_start(&state);
    marsh_screen(&state, 0.0, WIDE, TALL, 0.0);
    begun = SDL_GetTicks();
    puts("ready");
    fflush(stdout);
    while (going) {
        for (SDL_Event event; going && SDL_PollEvent(&event);)
            going = take(&event);
        marsh_frame(&state, seconds(SDL_GetTicks()), 0, out);
        SDL_SetRelativeMouseMode(out[MARSH_OUT_CURSOR] == 2.0 ? SDL_TRUE : SDL_FALSE);
        draw(to, out);
        SDL_Delay(8);
    }
    printf("yaw %.3f pitch %.3f x %.3f z %.3f hops %.0f\n", out[MARSH_OUT_YAW], out[MARSH_OUT_PITCH],
           out[MARSH_OUT_MOVED_X], out[MARSH_OUT_MOVED_Z], out[MARSH_OUT_CUE_HOP]);
    SDL_Quit();
    return 0;
}
