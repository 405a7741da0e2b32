package yentra.server.plans;

/**
 * A picture that can lie under a drawing.
 *
 * @param mediaType image/png or image/jpeg
 * @param width pixels
 * @param height pixels
 */
record Picture(String mediaType, int width, int height, byte[] bytes) {}
