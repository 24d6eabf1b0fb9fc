// SPDX-License-Identifier: GPL-3.0-or-later
#include "allowed.h"

#include <algorithm>
#include <array>
#include <cctype>

namespace ember::av {

const char* const allowedDemuxers =
    // films
    "mov,mp4,m4a,3gp,3g2,mj2,matroska,webm,avi,mxf,mpegts,mpeg,mpegvideo,m4v,flv,asf,ogg,nut,ivf,obu,dv,gxf,"
    "h264,hevc,av1,vc1,mjpeg,mjpeg_2000,yuv4mpegpipe,gif,apng,"
    // pictures
    "png_pipe,jpeg_pipe,jpegls_pipe,j2k_pipe,tiff_pipe,bmp_pipe,webp_pipe,dpx_pipe,sgi_pipe,psd_pipe,"
    "ppm_pipe,pgm_pipe,pbm_pipe,pam_pipe,pfm_pipe,qoi_pipe,gif_pipe,jpegxl_pipe,image2pipe,"
    // sounds
    "wav,w64,aiff,caf,flac,mp3,aac,ac3,eac3,dts,amr,au,tta,wv,ape,tak,voc,mpc,mpc8,truehd,dsf";

namespace {

constexpr std::array<std::string_view, 85> codecs{
    "h264",      "hevc",      "vp8",      "vp9",      "av1",     "mpeg1video", "mpeg2video", "mpeg4",    "msmpeg4v1",
    "msmpeg4v2", "msmpeg4v3", "wmv1",     "wmv2",     "wmv3",    "vc1",        "h263",       "flv1",     "theora",
    "dvvideo",   "mjpeg",     "mjpegb",   "jpeg2000", "jpegls",  "jpegxl",     "prores",     "dnxhd",    "cfhd",
    "hap",       "ffv1",      "huffyuv",  "ffvhuff",  "utvideo", "magicyuv",   "lagarith",   "rawvideo", "v210",
    "v308",      "v408",      "v410",     "r210",     "r10k",    "yuv4",       "qtrle",      "rpza",     "cinepak",
    "svq1",      "svq3",      "png",      "apng",     "gif",     "bmp",        "tiff",       "webp",     "dpx",
    "sgi",       "psd",       "targa",    "ppm",      "pgm",     "pbm",        "pam",        "pfm",      "qoi",
    "hdr",       "aac",       "aac_latm", "mp3",      "mp2",     "mp1",        "ac3",        "eac3",     "dts",
    "truehd",    "opus",      "vorbis",   "flac",     "alac",    "tta",        "wavpack",    "ape",      "wmav1",
    "wmav2",     "wmapro",    "amr_nb",   "amr_wb"};

struct Known {
    std::string_view begins;
    const char* what;
};

constexpr std::array<Known, 9> lists{{
    {"#extm3u", "an HLS playlist, a list of other files"},
    {"ffconcat version", "a script that joins other files"},
    {"v=0", "a description of network streams (SDP)"},
    {"[playlist]", "a playlist, a list of other files"},
    {"<asx", "a playlist, a list of other files"},
    {"<smil", "a presentation of other files (SMIL)"},
    {"{\\rtf", "a text document"},
    {"%pdf-", "a PDF document"},
    {"<!doctype html", "a web page"},
}};

} // namespace

bool allowedCodec(std::string_view name)
{
    return std::find(codecs.begin(), codecs.end(), name) != codecs.end() || name.starts_with("pcm_") ||
           name.starts_with("adpcm_");
}

std::string whatItIs(std::string_view head)
{
    std::string text(head);
    std::transform(text.begin(), text.end(), text.begin(),
                   [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
    if (text.starts_with("\xef\xbb\xbf"))
        text.erase(0, 3);
    text.erase(0, std::min(text.find_first_not_of(" \t\r\n"), text.size()));
    for (const Known& list : lists)
        if (text.starts_with(list.begins))
            return list.what;
    if (text.starts_with("<?xml") || text.starts_with("<mpd"))
        return text.find("<mpd") != std::string::npos ? "a DASH manifest, a list of other files" : "an XML document";
    const bool words = !text.empty() && std::all_of(text.begin(), text.end(), [](char c) {
        const auto byte = static_cast<unsigned char>(c);
        return byte >= 0x20 || c == '\n' || c == '\r' || c == '\t';
    });
    return words ? "a text" : std::string();
}

} // namespace ember::av
