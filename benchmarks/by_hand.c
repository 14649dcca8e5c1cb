/* The hand-typed step of workload.py as C, and a loop over the arrays of a take: what a careful programmer would
 * type for one game. Like the Python it knows no event times, no gates but its one, no lost focus. */
#include <math.h>
#include <stdint.h>

#define DEG 0.017453292519943295

enum { MOUSE, DRAG, WHEEL, RIGHT, LEFT, GYRO, KEY_D, KEY_A, KEY_W, KEY_S, GLASSING };

typedef struct {
    double yaw, pitch, aim_x, aim_y, turn_x, turn_y, glance_x, glance_y, owed_x, owed_y, rate_x, rate_y;
    double slope_x, slope_y, was_x, was_y, follow_x, follow_y, chart_x, chart_y, zoom, zoom_owed, zoom_speed;
    double scale, scale_owed, scale_speed, speed_x, speed_z, heading, yaw_then;
    double moved[6], held[8], keys[5];
} hand;

static double clamped(double x, double low, double high) { return x < low ? low : x > high ? high : x; }

static double wrapped(double x) { return x - 360.0 * ceil((x - 180.0) / 360.0); }

static void walk(hand *s, double wish_x, double wish_y, double slows, double dt, double *step_x, double *step_z)
{
    const double half = (s->yaw - s->yaw_then) * 0.5 * DEG, middle = (s->yaw + s->yaw_then) * 0.5 * DEG;
    const double ch = cos(half), sh = sin(half), c = cos(middle), sn = sin(middle);
    const double x = wish_x * c + wish_y * sn, z = wish_x * sn - wish_y * c;
    const int wishes = wish_x != 0.0 || wish_y != 0.0;
    double missing_x = x * ch + z * sh - s->speed_x, missing_z = z * ch - x * sh - s->speed_z, lag_x, lag_z;
    const double size = sqrt(missing_x * missing_x + missing_z * missing_z);
    const double time = size / (wishes ? 10.0 : 15.0), run = dt < time ? dt : time;
    const double left = time > 0.0 ? 1.0 - run / time : 0.0;
    const double chord = half != 0.0 ? sh / half * dt : dt;
    const double aside = slows * dt / 12.0 * DEG * chord;
    if (size > 0.0 && wishes) {
        const double h = half * run / dt, cr = cos(h), sr = sin(h), even = h != 0.0 ? sr / h : 1.0;
        const double odd = fabs(h) > 1e-3 ? (even - cr) / (2.0 * h) : h * (1.0 / 6.0 - h * h / 60.0);
        const double along = run * even * 0.5 * (1.0 + left), over = run * (left - 1.0) * odd;
        const double a = missing_x * along - missing_z * over, b = missing_z * along + missing_x * over;
        const double c2 = left * (ch * ch - sh * sh), s2 = left * 2.0 * sh * ch, before = missing_x;
        lag_x = a * cr - b * sr;
        lag_z = b * cr + a * sr;
        missing_x = before * c2 - missing_z * s2;
        missing_z = missing_z * c2 + before * s2;
    } else {
        const double area = run * 0.5 * (1.0 + left);
        lag_x = missing_x * area;
        lag_z = missing_z * area;
        missing_x *= left;
        missing_z *= left;
    }
    s->speed_x = x * ch - z * sh - missing_x;
    s->speed_z = z * ch + x * sh - missing_z;
    *step_x = x * chord - z * aside - lag_x;
    *step_z = z * chord + x * aside - lag_z;
}

static void pushed(double owed_by, double *value, double *owed, double low, double high)
{
    const double goal = clamped(*value + *owed + owed_by, low, high);
    *owed = goal - *value;
}

static double follow(double value, double before, double gap)
{
    return (value - before) / gap;
}

static void eased(double *value, double *owed, double rate, double k, double kept, double dt)
{
    const double level = rate / k, after = level + (*owed - level) * kept;
    *value += *owed + rate * dt - after;
    *owed = after;
}

static void filtered(double *value, double *rate, double wish, double k, double dt)
{
    const double after = wish + (*rate - wish) * exp(-k * dt);
    *value += wish * dt + (*rate - after) / k;
    *rate = after;
}

static void sprung(double *value, double *owed, double *speed, double w, double dt)
{
    const double turn = (w * *owed - *speed) * dt, kept = exp(-w * dt), after = (*owed + turn) * kept;
    *speed = (*speed + w * turn) * kept;
    *value += *owed - after;
    *owed = after;
}

static double shaped(double x, double y, double inner, double outer, double power)
{
    const double size = sqrt(x * x + y * y), past = (size - inner) / (outer - inner);
    return past > 0.0 ? pow(past < 1.0 ? past : 1.0, power) / size : 0.0;
}

static void step(hand *s, double dt, double gap, double *out)
{
    const double *m = s->moved, *h = s->held;
    if (s->keys[GLASSING - KEY_D] != 0.0) {
        s->aim_x += m[0] * 0.02;
        s->aim_y += m[1] * 0.02;
    } else {
        s->yaw += m[0] * 0.05;
        s->pitch += m[1] * 0.05;
    }
    s->chart_x += m[2] * 0.01;
    s->chart_y += m[3] * 0.01;
    if (m[5] != 0.0)
        pushed(m[5] * 0.11332868530700317, &s->zoom, &s->zoom_owed, 0.0, 2.0794415416798357);
    if (m[4] != 0.0)
        pushed(m[4] * 0.18232155679395462, &s->scale, &s->scale_owed, -1.3862943611198906, 2.772588722239781);
    const double look = shaped(h[0], h[1], 0.12, 0.95, 2.2), peek = shaped(h[2], h[3], 0.1, 1.0, 1.8);
    if (gap > 0.0) {
        const double left = exp(-6.283185307179586 * gap);
        const double fresh_x = follow(h[4], s->was_x, gap), fresh_y = follow(h[5], s->was_y, gap);
        s->slope_x = fresh_x + (s->slope_x - fresh_x) * left;
        s->slope_y = fresh_y + (s->slope_y - fresh_y) * left;
        s->follow_x = 6.283185307179586 * (1.2 + 0.02 * fabs(s->slope_x));
        s->follow_y = 6.283185307179586 * (1.2 + 0.02 * fabs(s->slope_y));
        s->was_x = h[4];
        s->was_y = h[5];
    }
    const double fast = s->aim_x * 34.657359027997266 + s->turn_x * 19.804205158855577 + s->rate_x;
    double kept = exp(-34.657359027997266 * dt);
    s->yaw += s->aim_x - s->aim_x * kept;
    s->pitch += s->aim_y - s->aim_y * kept;
    s->aim_x *= kept;
    s->aim_y *= kept;
    kept = exp(-19.804205158855577 * dt);
    eased(&s->yaw, &s->turn_x, h[0] * look * 220.0, 19.804205158855577, kept, dt);
    eased(&s->pitch, &s->turn_y, h[1] * look * 140.0, 19.804205158855577, kept, dt);
    filtered(&s->yaw, &s->rate_x, h[4] * 1.5, s->follow_x, dt);
    filtered(&s->pitch, &s->rate_y, h[5] * 1.2, s->follow_y, dt);
    s->pitch = clamped(s->pitch, -80.0, 80.0);
    kept = exp(-13.862943611198904 * dt);
    eased(&s->glance_x, &s->owed_x, h[2] * peek * 90.0, 13.862943611198904, kept, dt);
    eased(&s->glance_y, &s->owed_y, h[3] * peek * 90.0, 13.862943611198904, kept, dt);
    sprung(&s->zoom, &s->zoom_owed, &s->zoom_speed, 27.97244983361101, dt);
    sprung(&s->scale, &s->scale_owed, &s->scale_speed, 20.979337375208257, dt);
    double across = s->keys[0] - s->keys[1], ahead = s->keys[2] - s->keys[3];
    const double size = sqrt(across * across + ahead * ahead);
    if (size > 1.0) {
        across /= size;
        ahead /= size;
    }
    const double slows = fast - (s->aim_x * 34.657359027997266 + s->turn_x * 19.804205158855577 + s->rate_x);
    walk(s, across * 1.6, ahead * 1.6, slows, dt, out + 10, out + 11);
    s->yaw_then = s->yaw;
    const double seen = s->heading = wrapped(s->yaw), a = seen * -0.5 * DEG, b = s->pitch * 0.5 * DEG;
    const double sa = sin(a), ca = cos(a), sb = sin(b), cb = cos(b);
    const double read[20] = {seen, s->pitch, s->glance_x, s->glance_y, s->chart_x, s->chart_y, exp(s->zoom),
                             exp(s->scale), s->speed_x, s->speed_z, out[10], out[11], s->heading, 0.0, 1.65, 0.0,
                             ca * sb, sa * cb, -sa * sb, ca * cb};
    for (int k = 0; k < 20; k++)
        out[k] = read[k];
    for (int k = 0; k < 6; k++)
        s->moved[k] = 0.0;
}

/* Poll the events of each frame, step, keep what is read; `out` has twenty numbers a frame. */
void by_hand(const double *t, const int32_t *code, const double *x, const double *y, int64_t count,
             int64_t frames, double dt, double *out)
{
    hand s = {.follow_x = 7.5398223686155035, .follow_y = 7.5398223686155035};
    int64_t next = 0;
    for (int64_t k = 0; k < frames; k++) {
        const double end = (double)(k + 1) * dt;
        int reported = 0;
        for (; next < count && t[next] < end - 1e-9; next++) {
            const int of = code[next];
            if (of <= WHEEL) {
                s.moved[2 * of] += x[next];
                s.moved[2 * of + 1] += y[next];
            } else if (of <= GYRO) {
                s.held[2 * (of - RIGHT)] = x[next];
                s.held[2 * (of - RIGHT) + 1] = y[next];
                reported |= of == GYRO;
            } else {
                s.keys[of - KEY_D] = x[next];
            }
        }
        step(&s, dt, reported && k > 0 ? dt : 0.0, out + 20 * k);
    }
}
